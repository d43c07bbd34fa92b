import { createHash } from 'node:crypto';
import type { FindingMend, FindingsView, PlanFinding } from '../../contracts/index.ts';
import { formatMoment, formatWallTime, type Instant } from '../../core/calendar/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import { type Finding, type FindingCode, mendsOf, sayFinding } from '../../core/overlaps/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import type { CurrentPlan } from '../ports/index.ts';

/** So many goods and stores are told by name. */
const TOLD = 12;

/** What cannot be told in money comes in this order, the graver first. */
const GRAVITY: readonly FindingCode[] = [
  'below-cost',
  'worse-than-shelf',
  'raises-price',
  'below-floor',
  'reduced-before',
  'overlap',
  'same-units',
  'never-wins',
  'nothing-carried',
  'nothing-selected',
  'gift-not-carried',
  'never-reached',
  'open-end',
];
/** Whose amount is money that one unit costs. */
const IN_MONEY: readonly FindingCode[] = ['below-cost', 'below-floor', 'worse-than-shelf', 'raises-price'];

/** Findings as they are read: those of one code and the same promotions as one, what costs most first. */
export function findingsView(
  current: CurrentPlan,
  findings: readonly Finding[],
): Omit<FindingsView, 'accepted'> {
  const groups = new Map<string, Finding[]>();
  for (const finding of findings) {
    const key = JSON.stringify([finding.code, finding.promotions, finding.part ?? null]);
    groups.set(key, [...(groups.get(key) ?? []), finding]);
  }
  const all = [...groups.values()].map((group) => ({ ...viewOf(current, group), worth: worthOf(group) }));
  all.sort((a, b) => b.worth - a.worth || GRAVITY.indexOf(a.code) - GRAVITY.indexOf(b.code));
  return {
    currency: current.compiled.plan.currency.code,
    open: all.map(({ worth: _, ...finding }) => finding),
  };
}

/** One of each of its goods in each of its stores, at most; a deal whose price is too high once in each. */
const worthOf = (group: readonly Finding[]): number =>
  group.reduce((sum, { code, amount, items, stores }) => {
    if (!IN_MONEY.includes(code) || amount === null) return sum;
    return sum + amount * (code === 'worse-than-shelf' ? 1 : Math.max(1, items.length)) * stores.length;
  }, 0);

function viewOf({ compiled, document }: CurrentPlan, group: readonly Finding[]): PlanFinding {
  const { plan, catalogue, stores: byId } = compiled;
  const whole = merged(group, compiled);
  const { code, promotions, items, stores, from, to } = whole;
  const names = new Map(document.promotions.map(({ id, name }) => [id, name]));
  const clock = compiled.clockOf(byId.get(stores[0] ?? '') ?? plan.stores[0] ?? { timeZone: 'UTC' });
  const money = (amount: number): string => formatAmount(amount as MinorUnits, plan.currency);
  const worth = worthOf(group);
  return {
    code,
    promotions: promotions.map((id) => ({ id, name: names.get(id) ?? id })),
    part: whole.part ?? null,
    words: sayFinding(compiled, whole),
    items: {
      count: items.length,
      some: items
        .slice(0, TOLD)
        .map((sku) => ({ sku, name: catalogue.items[catalogue.indexOf.get(sku)!]?.name ?? sku })),
    },
    stores: {
      count: stores.length,
      some: stores.slice(0, TOLD).map((id) => ({ id, name: byId.get(id)?.name ?? id })),
    },
    from: formatMoment(from, clock),
    to: to === null ? null : formatMoment(to, clock),
    money: worth > 0 ? money(worth) : null,
    lowest:
      code === 'reduced-before'
        ? group.map((one) => ({
            amount: money(one.amount ?? 0),
            items: one.items.length,
            stores: one.stores.length,
          }))
        : [],
    mends: mendsOf(whole, compiled).map((mend): FindingMend => {
      const named = { ...mend, name: names.get(mend.promotion) ?? mend.promotion };
      return 'at' in named ? { ...named, at: formatWallTime(named.at) } : named;
    }),
    about: aboutOf(whole),
    accepted: null,
  };
}

/** Several of one kind as one, told by the clock of the first of their stores; of different amounts none is told. */
function merged(group: readonly Finding[], { stores: byId }: CompiledPlan): Finding {
  const [first] = group as readonly [Finding];
  if (group.length === 1) return first;
  const zoneOf = ({ stores }: Finding) => byId.get(stores[0] ?? '')?.timeZone;
  const there = group.filter((one) => zoneOf(one) === zoneOf(first));
  const to = there.map((one) => one.to);
  return {
    ...first,
    items: [...new Set(group.flatMap(({ items }) => items))].sort(),
    stores: [...new Set(group.flatMap(({ stores }) => stores))],
    from: Math.min(...there.map(({ from }) => from)) as Instant,
    to: to.some((end) => end === null) ? null : (Math.max(...to.map((end) => end ?? 0)) as Instant),
    amount: null,
  };
}

/** Changes with its goods, its stores, its end and what it costs; not with the day on which it is looked at. */
function aboutOf({ items, stores, to, amount }: Finding): string {
  const text = JSON.stringify([items, stores, to, amount]);
  return createHash('sha256').update(text).digest('base64url');
}
