import type { DayNumber, Instant } from '../calendar/index.ts';
import { dayOf } from '../calendar/index.ts';
import { needsCode } from '../plan/index.ts';
import { barOf, type CompiledChange, DEFAULT_CHANNEL, priceAt, type Situation } from '../price-book/index.ts';
import type { Ranked, Shopper, WinnerOrder } from '../tag-price/index.ts';
import { type Field, fieldOf } from './field.ts';
import type { Finding } from './finding.ts';
import { gather, gathered, told } from './gathered.ts';
import { kindsFor } from './kinds-of-shopper.ts';
import { type Place, type Scope, turnAt } from './scope.ts';
import type { Site } from './sites.ts';
import { changesBeside, tagMoments } from './tag-moments.ts';

/** `never-wins`: a price change is a candidate somewhere, and sets no price anywhere in its span. */
export function neverWins(scope: Scope, change: CompiledChange): Finding[] {
  const { compiled } = scope;
  const { promotion } = change;
  const rivals = rivalsOf(scope, change);
  if (rivals.length === 0 && !promotion.offer.onTop) return [];
  if (promotion.offer.onTop && needsCode(promotion)) return [];
  const found = gathered();
  for (const place of scope.placesOf(change))
    for (const situation of situationsOf(scope, change, place, rivals)) {
      const field = fieldAt(scope, change, place.site, situation);
      if (field.size === 0) continue;
      if (winsIn(scope, change, place.site, situation, field, rivals)) return [];
      gather(found, field.keys(), place.stores, scope.spansOf(promotion, place.site));
    }
  return told(compiled, found, {
    code: 'never-wins',
    promotions: [promotion.id],
    open: promotion.when.to === null,
  });
}

/** Those that may stand in its way somewhere. */
const rivalsOf = (scope: Scope, change: CompiledChange): readonly CompiledChange[] =>
  changesBeside(scope, change, ({ promotion: { id, offer } }) => id !== change.promotion.id && !offer.onTop);

/**
 * Every situation at a place in which a change counts and that is unlike the ones before: at each moment at which a rival
 * comes or goes, for each kind of shopper, by each way to the till; stores with the same rivals are looked at once.
 */
function* situationsOf(
  scope: Scope,
  change: CompiledChange,
  { site, stores }: Place,
  rivals: readonly CompiledChange[],
): Generator<Situation> {
  const { compiled } = scope;
  const { promotion } = change;
  const clock = compiled.clockOf(site.store);
  const moments = tagMoments(scope, site, scope.spansOf(promotion, site), rivals);
  const seen = new Set<string>();
  for (const id of stores)
    for (const at of moments)
      for (const shopper of kindsFor(scope.kinds, promotion))
        for (const way of waysTo(scope, change, id)) {
          const situation: Situation = {
            ...{ store: compiled.stores.get(id)!, clock, at, shopper, ...way },
            holding: new Set(needsCode(promotion) ? [promotion.id] : []),
          };
          if (barOf(change, situation) !== null) continue;
          const live = rivals.flatMap((rival, i) => (barOf(rival, situation) === null ? [i] : []));
          const key = JSON.stringify([live, scope.kinds.indexOf(shopper), turnAt(scope, site, at)]);
          if (seen.has(key)) continue;
          seen.add(key);
          yield situation;
        }
}

type Way = Pick<Situation, 'channel' | 'terminal'>;

/** The ways to a till by which a change counts: each channel that some promotion names, and its terminals there. */
function waysTo(
  { compiled, channels: all }: Scope,
  { promotion }: CompiledChange,
  store: string,
): readonly Way[] {
  const channels = promotion.channels ?? [...new Set([DEFAULT_CHANNEL, ...all])];
  const there = compiled.plan.terminals.filter((terminal) => terminal.store === store);
  const terminals = promotion.terminals
    ? [...new Set(there.map(({ id, tags = [] }) => JSON.stringify([id, ...tags])))].map(
        (text) => JSON.parse(text) as string[],
      )
    : [[]];
  return channels.flatMap((channel) => terminals.map((terminal) => ({ channel, terminal })));
}

const fieldAt = (
  { compiled }: Scope,
  change: CompiledChange,
  site: Site,
  { at, clock, shopper }: { at: Instant; clock: Situation['clock']; shopper: Shopper },
): Field => fieldOf(compiled, change, site, dayOf(clock.toWall(at)) as DayNumber, shopper);

/** Whether the change sets the price of some item then, or of one on top, lowers one. */
function winsIn(
  scope: Scope,
  change: CompiledChange,
  site: Site,
  situation: Situation,
  field: Field,
  rivals: readonly CompiledChange[],
): boolean {
  const { compiled } = scope;
  const { promotion } = change;
  if (promotion.offer.onTop) {
    const { store, at, shopper, channel } = situation;
    const terminal = compiled.plan.terminals.find(({ id }) => id === situation.terminal[0])?.id;
    return [...field.keys()].some((index) => {
      const { sku } = compiled.catalogue.items[index]!;
      const answer = priceAt(compiled, { sku, store: store.id, at, shopper, channel, terminal });
      return answer.kind === 'price' && answer.onTop.some((step) => step.promotion === promotion.id);
    });
  }
  const open = new Map(field);
  for (const rival of rivals) {
    if (open.size === 0) return false;
    if (barOf(rival, situation) !== null) continue;
    const there = fieldAt(scope, rival, site, situation);
    for (const [index, result] of open) {
      const other = there.get(index);
      if (other !== undefined && goesBefore(compiled.order, rival, other, change, result)) open.delete(index);
    }
  }
  return open.size > 0;
}

function goesBefore(
  order: WinnerOrder,
  rival: CompiledChange,
  other: number,
  change: CompiledChange,
  result: number,
): boolean {
  const ranked = ({ promotion: { id, priority } }: CompiledChange, of: number): Ranked => ({
    ...{ id, priority },
    result: of as Ranked['result'],
  });
  return order(ranked(rival, other), ranked(change, result)) < 0;
}
