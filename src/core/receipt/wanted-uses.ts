import { type DayNumber, dayOf, firstDayOf, formatLocalDate } from '../calendar/index.ts';
import { normalCode, normalCodes } from '../codes/index.ts';
import type { Promotion } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { countedAs } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';
import type { Receipt } from './receipt.ts';
import { savedBy } from './saved-by.ts';
import { codeKey, shopperKey } from './use-keys.ts';
import { type BatchCode, NONE_VOUCHED } from './vouched-code.ts';

/** One use that a receipt makes of something limited, and how often it may be used by all receipts together. */
export interface WantedUse {
  /** As a basket tells its uses so far: a promotion's id, "code:CODE" or "promotion@shopper". */
  readonly key: string;
  readonly promotion: string;
  readonly most: number;
  /** The first day of the span in which it counts, by the calendar of the store; absent: it counts once for all. */
  readonly span?: string;
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
  { id, uses, codes, codeBatches }: Promotion,
  receipt: Receipt,
  { shopper, vouched = NONE_VOUCHED }: Basket,
  today: DayNumber,
): WantedUse[] {
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
  const wanted: WantedUse[] = [];
  const span = uses.every === null ? {} : { span: formatLocalDate(firstDayOf(uses.every, today)) };
  const worth = savedBy(receipt, id);
  const want = (key: string, most: number) => void wanted.push({ key, promotion: id, most, worth, ...span });
  if (uses.inAll !== null) want(id, uses.inAll);
  const who = countedAs(shopper);
  if (uses.perShopper !== null && who !== null) want(shopperKey(id, who), uses.perShopper);
  if (said?.single) wanted.push({ ...singleUse(id, said.single), worth });
  else if (said && uses.perCode !== null) want(codeKey(said.code), uses.perCode);
  return wanted;
}

/** A code of a batch is good once, whatever span the limits of its promotion have. */
const singleUse = (promotion: string, { key }: BatchCode) => ({ key, promotion, most: 1 });

/** Every promotion that a receipt names. */
export function promotionsOn({ lines, applications, rewards, delivery }: Receipt): Set<string> {
  const named = new Set<string>();
  for (const { priceChange, onTop, reductions } of lines) {
    if (priceChange !== null) named.add(priceChange);
    for (const id of onTop) named.add(id);
    for (const { promotion } of reductions) named.add(promotion);
  }
  for (const { promotion } of [...applications, ...rewards]) named.add(promotion);
  if (delivery?.promotion) named.add(delivery.promotion);
  return named;
}
