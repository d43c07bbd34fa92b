import type { OfferDocument, PromotionDocument } from '../../src/core/plan/index.ts';

/** One piece of a basket in the plainest form; amounts in cents. */
export interface PlainUnit {
  readonly sku: string;
  readonly family: string;
  readonly tag: number;
  readonly base: number;
}

/** What applications of one offer on one set of units come to; null: these units make no whole applications. */
interface Worth {
  readonly saving: number;
  readonly gifts: number;
  readonly times: number;
}

export interface BestOf {
  readonly saving: number;
  readonly gifts: number;
  readonly times: number;
  readonly priorities: number;
  /** Sorted ids, one for each application. */
  readonly ids: readonly string[];
  /** Sorted positions of used units. */
  readonly used: readonly number[];
}

type Kind<K extends OfferDocument['kind']> = Extract<OfferDocument, { kind: K }>;
type Value = Record<string, unknown>;

const cents = (text: unknown): number => Math.round(Number(text) * 100);
const percent = (amount: number, points: number): number => Math.floor((amount * points) / 10_000 + 0.5);
const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

function reduced(value: Value, start: number): number {
  if ('each' in value) return Math.min(start, cents(value.each));
  if ('percentOff' in value) return start - percent(start, value.percentOff as number);
  return Math.max(0, start - cents(value.amountOffEach));
}

/** Item rules here are lists of SKUs, or all. */
const fits = (rule: unknown, unit: PlainUnit): boolean =>
  'all' in (rule as object) || (rule as { items: string[] }).items.includes(unit.sku);

/**
 * The greatest saving that unit offers can give, by trying every way to share units out among offers and every way to
 * make applications of them. Written from the rules alone; good for some eight units.
 * @param giftPrice the tag price of each gift.
 */
export function bruteForce(
  units: readonly PlainUnit[],
  promotions: readonly PromotionDocument[],
  giftPrice: (sku: string) => number,
): BestOf {
  const worths = promotions.map((promotion) => {
    const known = new Map<number, Worth | null>();
    return (mask: number): Worth | null => {
      if (!known.has(mask)) {
        const places = units.map((_, i) => i).filter((i) => mask & (1 << i));
        known.set(mask, worthOf(promotion, places, units, giftPrice));
      }
      return known.get(mask)!;
    };
  });
  let best: BestOf = { saving: 0, gifts: 0, times: 0, priorities: 0, ids: [], used: [] };
  const share = (offer: number, free: number, so: BestOf): void => {
    if (offer === promotions.length) {
      if (isBetter(so, best)) best = so;
      return;
    }
    share(offer + 1, free, so);
    for (let mask = free; mask > 0; mask = (mask - 1) & free) {
      const worth = worths[offer]!(mask);
      if (!worth) continue;
      const { id, priority = 100 } = promotions[offer]!;
      share(offer + 1, free & ~mask, {
        saving: so.saving + worth.saving,
        gifts: so.gifts + worth.gifts,
        times: so.times + worth.times,
        priorities: so.priorities + priority * worth.times,
        ids: [...so.ids, ...Array.from({ length: worth.times }, () => id)].sort(),
        used: [...so.used, ...units.map((_, i) => i).filter((i) => mask & (1 << i))].sort((a, b) => a - b),
      });
    }
  };
  share(0, (1 << units.length) - 1, best);
  return best;
}

function isBetter(a: BestOf, b: BestOf): boolean {
  const steps = [
    b.saving - a.saving,
    a.gifts - b.gifts,
    a.times - b.times,
    a.priorities - b.priorities,
    compareLists(a.ids, b.ids),
    a.used.length - b.used.length,
    compareLists(a.used, b.used),
  ];
  return (steps.find((step) => step !== 0) ?? 0) < 0;
}

function compareLists<T>(a: readonly T[], b: readonly T[]): number {
  for (let i = 0; i < Math.min(a.length, b.length); i++) if (a[i] !== b[i]) return a[i]! < b[i]! ? -1 : 1;
  return a.length - b.length;
}

function worthOf(
  promotion: PromotionDocument,
  places: readonly number[],
  units: readonly PlainUnit[],
  giftPrice: (sku: string) => number,
): Worth | null {
  const { offer, uses, limitPerBasket = Number.POSITIVE_INFINITY } = promotion;
  if (places.length > (uses?.unitsInAll ?? places.length)) return null;
  const startOf = (i: number) => (promotion.startsFrom === 'base' ? units[i]!.base : units[i]!.tag);
  const tags = (group: readonly number[]) => sum(group.map((i) => units[i]!.tag));
  if (offer.kind === 'quantityBreak' || offer.kind === 'freeGoods') {
    if (places.some((i) => !fits(offer.items, units[i]!))) return null;
    const groups = new Map<string, number[]>();
    for (const i of places) {
      const key = countKey(offer.count, units[i]!);
      groups.set(key, [...(groups.get(key) ?? []), i]);
    }
    if (groups.size > limitPerBasket) return null;
    let all: Worth = { saving: 0, gifts: 0, times: 0 };
    for (const group of groups.values()) {
      const worth = offer.kind === 'quantityBreak' ? breakWorth(offer, group) : freeWorth(offer, group);
      if (!worth || worth.saving <= 0) return null;
      all = { saving: all.saving + worth.saving, gifts: all.gifts + worth.gifts, times: all.times + 1 };
    }
    return all;
  }
  const isBundle = offer.kind === 'mixAndMatch' && !('buy' in offer) && !('rewarded' in offer);
  const found = isBundle
    ? fallingBundles(offer as never, places)
    : partition(places, limitPerBasket, applicationsOf(offer as never));
  return found && { saving: found.saving, gifts: 0, times: found.times };

  function breakWorth({ tiers, beyond }: Kind<'quantityBreak'>, group: readonly number[]): Worth | null {
    const sorted = group.toSorted((a, b) => startOf(b) - startOf(a));
    if (group.length < tiers[0]!.atLeast) return null;
    const tierOf = (n: number) => tiers.filter(({ atLeast }) => atLeast <= n).at(-1);
    const paid = sorted.map((i, place) => {
      const tier = tierOf(beyond ? place + 1 : group.length);
      return tier ? reduced(tier as unknown as Value, startOf(i)) : startOf(i);
    });
    return { saving: tags(group) - sum(paid), gifts: 0, times: 1 };
  }

  function freeWorth(free: Kind<'freeGoods'>, group: readonly number[]): Worth | null {
    const n = group.length;
    if (n < (free.minimum ?? free.every)) return null;
    const earned =
      free.parts === 'whole'
        ? Math.floor(n / free.every) * free.free
        : Math.floor((n * free.free) / free.every);
    const k = Math.min(earned, free.maxFree ?? earned, free.gift === undefined ? n : earned);
    if (k === 0) return null;
    if (free.gift !== undefined) {
      const worth = k * giftPrice(free.gift);
      return { saving: worth, gifts: worth, times: 1 };
    }
    const paid = group.map(startOf).sort((a, b) => b - a);
    return { saving: tags(group) - sum(paid.slice(0, n - k)), gifts: 0, times: 1 };
  }

  /** Every way to make one application that uses the first of some units: the units it uses and what it saves. */
  function applicationsOf(kind: Kind<'mixAndMatch'> | Kind<'combo'>) {
    return function* (left: readonly number[]): Generator<{ group: readonly number[]; saving: number }> {
      if (kind.kind === 'mixAndMatch' && !('buy' in kind)) {
        for (const group of subsets(left, kind.take)) {
          if (group.some((i) => !fits(kind.items, units[i]!))) continue;
          yield { group, saving: tags(group) - rewardPaid(kind as never, group) };
        }
        return;
      }
      const parts =
        kind.kind === 'combo'
          ? kind.slots
          : [
              ...(kind as { buy: { items: object; quantity: number }[] }).buy,
              (kind as { get: { items: object; quantity: number } }).get,
            ];
      for (const group of subsets(left, sum(parts.map(({ quantity }) => quantity))))
        for (const roles of rolesOf(group, parts)) {
          const paid =
            kind.kind === 'combo' ? comboPaid(kind, group, roles) : getPaid(kind as never, group, roles);
          if (paid !== null) yield { group, saving: tags(group) - paid };
        }
    };
  }

  /** The dearest make the first bundle, the next the second: each of them worth something. */
  function fallingBundles(
    kind: { items: object; take: number; value: Value },
    used: readonly number[],
  ): { saving: number; times: number } | null {
    const times = used.length / kind.take;
    if (!Number.isInteger(times) || times > limitPerBasket) return null;
    if (used.some((i) => !fits(kind.items as never, units[i]!))) return null;
    const falling = used.toSorted((a, b) => startOf(b) - startOf(a) || a - b);
    const savings = Array.from({ length: times }, (_, nth) => {
      const group = falling.slice(nth * kind.take, (nth + 1) * kind.take);
      return tags(group) - bundlePaid(kind, group);
    });
    return savings.some((saving) => saving <= 0) ? null : { saving: sum(savings), times };
  }

  function bundlePaid(kind: { value: Value }, group: readonly number[]): number {
    const starts = group.map(startOf);
    if ('total' in kind.value) return Math.min(cents(kind.value.total), sum(starts));
    if ('amountOff' in kind.value) return Math.max(0, sum(starts) - cents(kind.value.amountOff));
    return sum(starts.map((start) => reduced(kind.value, start)));
  }

  function rewardPaid(
    kind: { rewarded: number; pick: string; value: Value },
    group: readonly number[],
  ): number {
    const starts = group.map(startOf).sort((a, b) => (kind.pick === 'cheapest' ? a - b : b - a));
    return sum(starts.map((start, i) => (i < kind.rewarded ? reduced(kind.value, start) : start)));
  }

  function getPaid(
    kind: { buy: object[]; notDearer?: boolean; value: Value },
    group: readonly number[],
    roles: readonly number[],
  ): number | null {
    const got = roles.map((role) => role === kind.buy.length);
    const starts = group.map(startOf);
    if (kind.notDearer) {
      const cheapest = Math.min(...starts.filter((_, i) => !got[i]));
      if (starts.some((start, i) => got[i] && start > cheapest)) return null;
    }
    return sum(starts.map((start, i) => (got[i] ? reduced(kind.value, start) : start)));
  }

  function comboPaid(kind: Kind<'combo'>, group: readonly number[], roles: readonly number[]): number {
    const extra = (i: number) => cents(kind.extra?.[units[i]!.sku] ?? 0);
    const value = kind.value as Value | undefined;
    if (!value)
      return sum(group.map((i, at) => Math.min(startOf(i), cents(kind.slots[roles[at]!]!.each) + extra(i))));
    if ('percentOff' in value) return sum(group.map((i) => reduced(value, startOf(i))));
    return Math.min(cents(value.total) + sum(group.map(extra)), sum(group.map(startOf)));
  }

  function* rolesOf(
    group: readonly number[],
    parts: readonly { items: object; quantity: number }[],
    roles: readonly number[] = [],
  ): Generator<readonly number[]> {
    if (roles.length === group.length) {
      yield roles;
      return;
    }
    for (const [role, { items, quantity }] of parts.entries()) {
      if (roles.filter((one) => one === role).length === quantity) continue;
      if (fits(items, units[group[roles.length]!]!)) yield* rolesOf(group, parts, [...roles, role]);
    }
  }
}

const countKey = (count: 'item' | 'family' | 'set', unit: PlainUnit): string =>
  count === 'set' ? '' : count === 'item' ? unit.sku : unit.family;

/** The best way to make whole applications of all these places, each of them worth something. */
function partition(
  places: readonly number[],
  limit: number,
  applications: (left: readonly number[]) => Generator<{ group: readonly number[]; saving: number }>,
): { saving: number; times: number } | null {
  if (places.length === 0) return { saving: 0, times: 0 };
  if (limit === 0) return null;
  let best: { saving: number; times: number } | null = null;
  for (const { group, saving } of applications(places)) {
    if (saving <= 0) continue;
    const rest = partition(
      places.filter((i) => !group.includes(i)),
      limit - 1,
      applications,
    );
    if (rest && (!best || rest.saving + saving > best.saving))
      best = { saving: rest.saving + saving, times: rest.times + 1 };
  }
  return best;
}

/** Subsets of a size that hold the first entry. */
function* subsets(list: readonly number[], size: number): Generator<readonly number[]> {
  if (size > list.length) return;
  const [first, ...rest] = list;
  yield* choose(rest, size - 1, [first!]);
}

function* choose(list: readonly number[], size: number, so: readonly number[]): Generator<readonly number[]> {
  if (size === 0) {
    yield so;
    return;
  }
  for (let i = 0; i + size <= list.length; i++) yield* choose(list.slice(i + 1), size - 1, [...so, list[i]!]);
}
