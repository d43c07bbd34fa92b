import { type DayNumber, dayOf, firstDayOf, formatLocalDate } from '../calendar/index.ts';
import { normalCode, normalCodes } from '../codes/index.ts';
import type { Promotion } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { countedAs } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';
import { promotionsOnGoods } from './named-promotions.ts';
import type { Receipt } from './receipt.ts';
import { savedBy } from './saved-by.ts';
import { codeLimitsOf, limitsOf, type UseLimit } from './use-limits.ts';
import { type BatchCode, NONE_VOUCHED } from './vouched-code.ts';

/** One use that a receipt makes of something limited, and how often it may be used by all receipts together. */
export interface WantedUse {
  /** As a basket tells its uses so far: a promotion's id, "code:CODE" or "promotion@shopper"; of units with "units:" before. */
  readonly key: string;
  readonly promotion: string;
  readonly most: number;
  /** The first day of the span in which it counts, by the calendar of the store; absent: it counts once for all. */
  readonly span?: string;
  /** How many units it takes, where those are limited; absent: it is one use. */
  readonly units?: number;
  /** What the promotion takes off the receipt, in minor units. */
  readonly worth: number;
}

/** What a receipt draws on (pricing rules 4.5): it is one use of each promotion on it, however often that was applied. */
export function wantedUses(receipt: Receipt, basket: Basket, compiled: CompiledPlan): WantedUse[] {
  const named = promotionsOn(receipt);
  const store = compiled.stores.get(basket.store)!;
  const today = dayOf(compiled.clockOf(store).toWall(basket.at));
  return eachOnce(
    compiled.plan.promotions
      .filter(({ id }) => named.has(id))
      .flatMap((promotion) => usesOf(promotion, receipt, basket, today)),
  );
}

/** A code of several promotions is used once by a receipt; the one that lets it be used least often bounds it. */
function eachOnce(wanted: readonly WantedUse[]): WantedUse[] {
  const found = new Map<string, WantedUse>();
  for (const use of wanted) {
    const name = JSON.stringify([use.key, use.span]);
    const known = found.get(name);
    if (!known || use.most < known.most) found.set(name, use);
  }
  return [...found.values()];
}

function usesOf(
  promotion: Promotion,
  receipt: Receipt,
  { shopper, vouched = NONE_VOUCHED }: Basket,
  today: DayNumber,
): WantedUse[] {
  const { id, uses, codes, codeBatches } = promotion;
  const own = normalCodes(codes);
  // One code does; a second one of the same promotion is not used up with it.
  const said = receipt.codes
    .filter(({ reason }) => reason === null)
    .map(({ code }) => {
      const known = vouched.get(normalCode(code));
      const single = codeBatches && typeof known === 'object' && known.promotion === id ? known : null;
      return { code, single };
    })
    .find(({ code, single }) => single !== null || own.has(normalCode(code)));
  if (said?.single?.test) return [];
  const span = uses.every === null ? {} : { span: formatLocalDate(firstDayOf(uses.every, today)) };
  const worth = savedBy(receipt, id);
  const units = unitsBy(receipt, id);
  const want = ({ key, most, of }: UseLimit): WantedUse[] => {
    const use = { key, promotion: id, most, worth, ...span };
    if (of === 'receipts') return [use];
    return units > 0 ? [{ ...use, units }] : [];
  };
  const wanted = limitsOf(promotion, countedAs(shopper)).flatMap(want);
  if (said?.single) return [...wanted, { ...singleUse(id, said.single), worth }];
  return [...wanted, ...(said ? codeLimitsOf(promotion, said.code).flatMap(want) : [])];
}

/** How many units of a receipt a promotion reduced or used. */
function unitsBy({ lines, applications }: Receipt, id: string): number {
  const tagged = lines.filter(
    ({ gift, priceChange, onTop }) => !gift && (priceChange === id || onTop.includes(id)),
  );
  const used = applications.filter(({ promotion }) => promotion === id).flatMap(({ units }) => units);
  return (
    tagged.reduce((sum, { weighed, thousandths }) => sum + (weighed ? 1 : thousandths / 1_000), 0) +
    used.reduce((sum, { quantity }) => sum + quantity, 0)
  );
}

/** A code of a batch is good once, whatever span the limits of its promotion have. */
const singleUse = (promotion: string, { key }: BatchCode) => ({ key, promotion, most: 1 });

/** Every promotion that a receipt names. */
export function promotionsOn(receipt: Receipt): Set<string> {
  const named = promotionsOnGoods(receipt);
  if (receipt.delivery?.promotion) named.add(receipt.delivery.promotion);
  return named;
}
