import { type PromotionDocument, shiftDate, shiftWhen, type WhenDocument } from '../../core/plan/index.ts';
import type { Pull } from './bar.tsx';

/** The promotion with its bar pulled by some days, or why it cannot stand there. */
export function pulled(
  promotion: PromotionDocument,
  { grip, days }: Pick<Pull, 'grip' | 'days'>,
): { promotion: PromotionDocument } | { fault: string } {
  const when = grip === 'move' ? shiftWhen(promotion.when, days) : stretched(promotion.when, grip, days);
  if (when.to !== undefined && when.to <= when.from)
    return { fault: 'It would end before it starts. Nothing was changed.' };
  return { promotion: { ...promotion, when } };
}

function stretched(when: WhenDocument, grip: 'start' | 'end', days: number): WhenDocument {
  const shifted = (moment: string) => shiftDate(moment.slice(0, 10), days) + moment.slice(10);
  if (grip === 'start') return { ...when, from: shifted(when.from) };
  return when.to === undefined ? when : { ...when, to: shifted(when.to) };
}
