import type { Unit } from '../unit.ts';
import { type Ending, NOTHING, type OfferMachine, type Taking } from './machine.ts';
import { byFalling, type OfferInBasket } from './offer-in-basket.ts';

/** What applications made of exactly these units bring at best, with the role of each unit in its own order. */
export interface ForcedRun extends Ending {
  readonly units: readonly Unit[];
  readonly roles: readonly number[];
}

interface Step {
  readonly before: Step | null;
  readonly role: number;
  readonly gain: number;
  readonly gifts: number;
  readonly done: number;
}

const START: Step = { before: null, role: -1, ...NOTHING };

/** @returns null where these units make no whole applications. */
export function forcedRun(
  { machine, startOf }: Pick<OfferInBasket, 'machine' | 'startOf'>,
  used: readonly Unit[],
): ForcedRun | null {
  const units = used.toSorted(byFalling(startOf));
  let steps = new Map<number, Step>([[machine.start, START]]);
  units.forEach((unit, i) => {
    const last = i === units.length - 1 || startOf(units[i + 1]!) !== startOf(unit);
    steps = stepped(machine, steps, unit, last);
  });
  const best = endOf(machine, steps);
  if (!best) return null;
  const roles: number[] = [];
  for (let step: Step | null = best; step?.before; step = step.before) roles.push(step.role);
  return { units, roles: roles.reverse(), gain: best.gain, gifts: best.gifts, done: best.done };
}

/** The best of what may end here; null where nothing may. */
function endOf(machine: OfferMachine, steps: ReadonlyMap<number, Step>): Step | null {
  let best: Step | null = null;
  for (const [state, step] of steps) {
    const ending = machine.accepts(state);
    if (!ending) continue;
    const whole = { ...step, ...sum(step, ending) };
    if (!best || isBetter(whole, best)) best = whole;
  }
  return best;
}

/** One unit more, taken from every state that was reached. @param last the next unit starts from a lower price. */
function stepped(
  machine: OfferMachine,
  steps: ReadonlyMap<number, Step>,
  unit: Unit,
  last: boolean,
): Map<number, Step> {
  const next = new Map<number, Step>();
  for (const [state, step] of steps) {
    for (const way of machine.takings(state, unit)) {
      if (!(machine.holds?.(way.to, last) ?? true)) continue;
      const reached = stepAfter(step, way);
      const known = next.get(way.to);
      if (!known || isBetter(reached, known)) next.set(way.to, reached);
    }
  }
  return next;
}

const sum = (a: Ending, b: Ending): Ending => ({
  gain: a.gain + b.gain,
  gifts: a.gifts + b.gifts,
  done: a.done + b.done,
});

const stepAfter = (before: Step, way: Taking): Step => ({ before, role: way.role, ...sum(before, way) });

const isBetter = (a: Step, b: Step): boolean =>
  a.gain > b.gain || (a.gain === b.gain && (a.gifts < b.gifts || (a.gifts === b.gifts && a.done < b.done)));
