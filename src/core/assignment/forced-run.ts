import { type Automaton, type Ending, NOTHING, type Taking } from './automaton.ts';
import { byFalling, type Contender } from './contender.ts';
import type { Unit } from './unit.ts';

/** What applications made of exactly these units bring at best, with the role of each unit in its own order. */
export interface ForcedRun<U extends Unit> extends Ending {
  readonly units: readonly U[];
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
export function forcedRun<U extends Unit>(
  { automaton, levelOf }: Pick<Contender<U>, 'automaton' | 'levelOf'>,
  used: readonly U[],
): ForcedRun<U> | null {
  const units = used.toSorted(byFalling(levelOf));
  let steps = new Map<number, Step>([[automaton.start, START]]);
  units.forEach((unit, i) => {
    const last = i === units.length - 1 || levelOf(units[i + 1]!) !== levelOf(unit);
    steps = stepped(automaton, steps, unit, last);
  });
  const best = endOf(automaton, steps);
  if (!best) return null;
  const roles: number[] = [];
  for (let step: Step | null = best; step?.before; step = step.before) roles.push(step.role);
  return { units, roles: roles.reverse(), gain: best.gain, gifts: best.gifts, done: best.done };
}

/** The best of what may end here; null where nothing may. */
function endOf<U extends Unit>(automaton: Automaton<U>, steps: ReadonlyMap<number, Step>): Step | null {
  let best: Step | null = null;
  for (const [state, step] of steps) {
    const ending = automaton.accepts(state);
    if (!ending) continue;
    const whole = { ...step, ...sum(step, ending) };
    if (!best || isBetter(whole, best)) best = whole;
  }
  return best;
}

/** One unit more, taken from every state that was reached. @param last the next unit is on a lower level. */
function stepped<U extends Unit>(
  automaton: Automaton<U>,
  steps: ReadonlyMap<number, Step>,
  unit: U,
  last: boolean,
): Map<number, Step> {
  const next = new Map<number, Step>();
  for (const [state, step] of steps) {
    for (const way of automaton.takings(state, unit)) {
      if (!(automaton.holds?.(way.to, last) ?? true)) continue;
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
