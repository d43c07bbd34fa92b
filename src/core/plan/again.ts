import type { PromotionDocument } from './document.ts';
import { copyOf, shiftWhen } from './shift-when.ts';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** The same again, or why there is none: what it is a copy of still runs then. */
export type Again =
  | {
      readonly promotion: PromotionDocument /** It begins later than asked, where the first one ends. */;
      readonly cut: boolean;
    }
  | { readonly left: string };

/**
 * A draft of the same some days later, named by its day. What still runs then is not given twice: the copy begins where
 * the first one ends, and where nothing would be left of it there is none.
 */
export function againOf(promotion: PromotionDocument, id: string, days: number): Again {
  const { when } = promotion;
  const shifted = shiftWhen(when, days);
  const runsOn = days > 0 && (when.to === undefined || when.to > shifted.from);
  if (runsOn && when.to === undefined) return { left: 'it has no end, and runs on by itself' };
  if (runsOn && shifted.to !== undefined && when.to! >= shifted.to)
    return { left: 'it still runs all that time' };
  const from = runsOn ? when.to! : shifted.from;
  const copy = copyOf(promotion, id, days);
  return {
    promotion: {
      ...copy,
      name: `${baseName(promotion.name)} (${dayWords(from)})`,
      when: { ...copy.when, from },
    },
    cut: runsOn,
  };
}

/** Without the day that an earlier copy was named by. */
const baseName = (name: string): string =>
  name.replace(/ \(\d{1,2} [A-Z][a-z]{2} \d{4}\)$/, '').slice(0, 280);

/** "5 Dec 2026" */
function dayWords(moment: string): string {
  const [year, month, day] = moment.slice(0, 10).split('-').map(Number) as [number, number, number];
  return `${day} ${MONTHS[month - 1]} ${year}`;
}
