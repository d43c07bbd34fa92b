import { DAY, type WallTime } from '../calendar/index.ts';
import type { Promotion } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { Finding, FindingCode } from './finding.ts';

/** A change of one promotion after which a finding would be gone, as far as can be told without looking again. */
export type Mend =
  /** It goes before the other one. */
  | { readonly kind: 'go-first'; readonly promotion: string; readonly priority: number }
  /** It leaves these goods out. */
  | { readonly kind: 'leave-out'; readonly promotion: string; readonly items: readonly string[] }
  /** It ends, or begins, at this moment: when the other one begins, or is over. */
  | { readonly kind: 'end' | 'begin'; readonly promotion: string; readonly at: WallTime };

/** The first of all. */
const FIRST = 1;
/** More than this are not left out one by one. */
const MOST = 300;
/** What is about some goods of a price change that could do without them; of two promotions the last one named. */
const OF_GOODS: readonly FindingCode[] = ['below-cost', 'below-floor', 'raises-price', 'reduced-before'];
/** For so long a reduction is remembered. */
const REMEMBERED = 30 * DAY;

export function mendsOf(finding: Finding, compiled: CompiledPlan): Mend[] {
  const { code, promotions } = finding;
  const named = promotions.flatMap((id) => compiled.plan.promotions.find((one) => one.id === id) ?? []);
  switch (code) {
    case 'overlap':
    case 'same-units':
      return [...named.flatMap((one) => goFirst(one, one.priority)), ...apart(named)];
    case 'never-wins':
      return named.flatMap((one) => goFirst(one, firstBeside(one, finding, compiled)));
    default:
      return [...leaveOut(finding, named.at(-1)), ...(code === 'reduced-before' ? later(named) : [])];
  }
}

const goFirst = ({ id }: Promotion, than: number): Mend[] =>
  than > FIRST ? [{ kind: 'go-first', promotion: id, priority: than - 1 }] : [];

/** One of a pair ends when the other begins, or begins when the other is over. */
function apart([a, b]: readonly Promotion[]): Mend[] {
  if (!a || !b) return [];
  const [earlier, second] = a.when.from <= b.when.from ? [a, b] : [b, a];
  const mends: Mend[] = [];
  if (earlier.when.from < second.when.from)
    mends.push({ kind: 'end', promotion: earlier.id, at: second.when.from });
  return [...mends, ...beginAfter(second, earlier.when.to)];
}

const beginAfter = ({ id, when }: Promotion, at: WallTime | null): Mend[] =>
  at !== null && when.from < at && (when.to === null || at < when.to)
    ? [{ kind: 'begin', promotion: id, at }]
    : [];

/** Of two reductions the later one begins when the earlier one is no longer remembered. */
function later([before, again]: readonly Promotion[]): Mend[] {
  if (!before || !again || before.when.to === null) return [];
  const day = Math.floor((before.when.to + REMEMBERED) / DAY) + 1;
  const hour = again.when.from - Math.floor(again.when.from / DAY) * DAY;
  return beginAfter(again, (day * DAY + hour) as WallTime);
}

/** The first priority among the price changes that count at some time of it and for some of its goods. */
function firstBeside(
  { id, when }: Promotion,
  { items }: Finding,
  { changes, catalogue, plan }: CompiledPlan,
): number {
  if (plan.policy.priceChanges === 'lowest') return FIRST;
  const numbers = items.map((sku) => catalogue.indexOf.get(sku)!);
  const isBeside = (change: CompiledPlan['changes'][number]): boolean => {
    const { promotion } = change;
    if (promotion.id === id || promotion.status !== 'approved' || promotion.offer.onTop) return false;
    if (when.to !== null && promotion.when.from >= when.to) return false;
    if (promotion.when.to !== null && promotion.when.to <= when.from) return false;
    const chosen = change.numbers();
    return chosen === null || numbers.some((index) => chosen.includes(index));
  };
  const beside = changes.filter(isBeside).map(({ promotion }) => promotion.priority);
  return beside.length === 0 ? FIRST : Math.min(...beside);
}

function leaveOut({ code, items }: Finding, of: Promotion | undefined): Mend[] {
  if (!of || !OF_GOODS.includes(code) || of.offer.kind !== 'priceChange') return [];
  if (items.length === 0 || items.length > MOST) return [];
  return [{ kind: 'leave-out', promotion: of.id, items }];
}
