import type { Instant } from '../calendar/index.ts';
import { onTopOrder, priorityFirst, type Shopper } from '../tag-price/index.ts';
import { barOf, DEFAULT_CHANNEL, type Situation } from './bar.ts';
import type { CompiledChange, CompiledPlan } from './compiled-plan.ts';
import type { PriceQuestion } from './price-at.ts';

/** A price change that counts somewhere at the moment asked for, with its number in the compiled plan. */
export interface Live {
  readonly change: CompiledChange;
  readonly number: number;
}

/** Changes between which the result decides, those of one priority or all of them; by priority and id. */
export type Equals = readonly Live[];

/** What counts at one store at the moment asked for. */
export interface LiveHere {
  readonly situation: Situation;
  /** From the last priority to the first. */
  readonly equals: readonly Equals[];
  /** On top, in the order in which they apply. */
  readonly onTop: readonly Live[];
}

export interface Asked {
  readonly at: Instant;
  readonly shopper: Shopper;
  /** Absent: the till, and no terminal that is named. */
  readonly through?: Pick<PriceQuestion, 'channel' | 'terminal'>;
}

/** What counts at each store, asked once for all that does not depend on it. */
export function liveBy(
  compiled: CompiledPlan,
  { at, shopper, through = {} }: Asked,
): (store: string) => LiveHere {
  const terminal = compiled.plan.terminals.find(({ id }) => id === through.terminal);
  const asked = {
    at,
    shopper,
    channel: through.channel ?? DEFAULT_CHANNEL,
    terminal: terminal ? [terminal.id, ...(terminal.tags ?? [])] : [],
  };
  const byZone = new Map<string, readonly Live[]>();
  return (id) => {
    const store = compiled.stores.get(id)!;
    const situation: Situation = { store, clock: compiled.clockOf(store), ...asked };
    const there = byZone.get(store.timeZone) ?? liveInZone(compiled, situation);
    byZone.set(store.timeZone, there);
    const here = there.filter(({ change }) => change.stores().has(id));
    return {
      situation,
      equals: groupsOf(
        compiled,
        here.filter(({ change }) => !change.promotion.offer.onTop),
      ),
      onTop: here.filter(({ change }) => change.promotion.offer.onTop),
    };
  };
}

/** In the order of priority and id, whatever stores they are for. */
const liveInZone = (compiled: CompiledPlan, situation: Situation): readonly Live[] =>
  compiled.changes
    .map((change, number) => ({ change, number }))
    .filter(
      ({ change: { promotion } }) =>
        barOf({ promotion, stores: () => new Set([situation.store.id]) }, situation) === null,
    )
    .sort((a, b) => onTopOrder(a.change.promotion, b.change.promotion));

const priorityOf = ({ change }: Live): number => change.promotion.priority;

function groupsOf({ order }: CompiledPlan, live: readonly Live[]): Equals[] {
  if (order !== priorityFirst) return live.length > 0 ? [live] : [];
  const groups: Live[][] = [];
  for (const entry of live) {
    const group = groups.at(-1);
    if (group && priorityOf(group[0]!) === priorityOf(entry)) group.push(entry);
    else groups.push([entry]);
  }
  return groups.reverse();
}
