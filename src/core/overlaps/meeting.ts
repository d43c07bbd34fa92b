import { intersection, type Span } from '../calendar/index.ts';
import { isFor, type Shopper } from '../tag-price/index.ts';
import type { Looked, Place, Scope } from './scope.ts';

/** Where and when two promotions count together, if they do. */
export interface Meeting extends Place {
  readonly spans: readonly Span[];
}

/** Whether one way to the till leads to both: a channel, a terminal. */
function reachTogether({ compiled }: Scope, a: Looked, b: Looked): boolean {
  const channels = [a.promotion.channels, b.promotion.channels];
  if (channels[0] && channels[1] && !channels[0].some((name) => channels[1]!.includes(name))) return false;
  const names = [a.promotion.terminals, b.promotion.terminals];
  if (!names[0] || !names[1]) return true;
  return compiled.plan.terminals.some(({ id, tags = [] }) =>
    names.every((wanted) => wanted!.some((name) => name === id || tags.includes(name))),
  );
}

/** The kinds of shopper for whom both count. */
export const kindsForBoth = ({ kinds }: Scope, a: Looked, b: Looked): readonly Shopper[] =>
  kinds.filter((shopper) => isFor(a.promotion.who, shopper) && isFor(b.promotion.who, shopper));

/** Site by site: where two promotions count at one store and moment, for some shopper. */
export function meetingsOf(scope: Scope, a: Looked, b: Looked): readonly Meeting[] {
  if (!reachTogether(scope, a, b) || kindsForBoth(scope, a, b).length === 0) return [];
  if (apart(a, b)) return [];
  const there = b.stores();
  return scope.placesOf(a).flatMap(({ site, stores }) => {
    const both = stores.filter((id) => there.has(id));
    if (both.length === 0) return [];
    const spans = intersection(scope.spansOf(a.promotion, site), scope.spansOf(b.promotion, site));
    return spans.length > 0 ? [{ site, stores: both, spans }] : [];
  });
}

/** Whether one is over before the other begins, everywhere: by the wall clock, which is the same for both. */
const apart = ({ promotion: a }: Looked, { promotion: b }: Looked): boolean =>
  (a.when.to !== null && a.when.to <= b.when.from) || (b.when.to !== null && b.when.to <= a.when.from);

export const bothOpen = (a: Looked, b: Looked): boolean =>
  a.promotion.when.to === null && b.promotion.when.to === null;
