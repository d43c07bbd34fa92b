import type { Promotion } from '../plan/index.ts';
import type { Finding, FindingCode } from './finding.ts';

/** A change of one promotion after which a finding would be gone, as far as can be told without looking again. */
export type Mend =
  /** It goes before the other one. */
  | { readonly kind: 'go-first'; readonly promotion: string; readonly priority: number }
  /** It leaves these goods out. */
  | { readonly kind: 'leave-out'; readonly promotion: string; readonly items: readonly string[] };

/** The first of all. */
const FIRST = 1;
/** More than this are not left out one by one. */
const MOST = 300;
/** What is about some goods of a price change that could do without them; of two promotions the last one named. */
const OF_GOODS: readonly FindingCode[] = ['below-cost', 'below-floor', 'raises-price', 'reduced-before'];

/** @param promotionOf a promotion of the plan by its id. */
export function mendsOf(
  { code, promotions, items }: Finding,
  promotionOf: (id: string) => Promotion | undefined,
): Mend[] {
  const named = promotions.flatMap((id) => promotionOf(id) ?? []);
  if (code === 'overlap' || code === 'same-units')
    return named.flatMap(({ id, priority }): Mend[] =>
      priority > FIRST ? [{ kind: 'go-first', promotion: id, priority: priority - 1 }] : [],
    );
  const last = named.at(-1);
  if (!OF_GOODS.includes(code) || last?.offer.kind !== 'priceChange') return [];
  if (items.length === 0 || items.length > MOST) return [];
  return [{ kind: 'leave-out', promotion: last.id, items }];
}
