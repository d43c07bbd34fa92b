import type { Fault } from '../core/plan/index.ts';

/** How deep and how large a value from outside may be, far beyond what any real chain writes. */
export interface ValueLimits {
  readonly depth: number;
  /** Values of any kind, lists and objects among them. */
  readonly values: number;
}
export const VALUE_LIMITS: ValueLimits = { depth: 40, values: 20_000_000 };

/**
 * Looks through a value from outside without recursion, before anything else reads it: how deep it is, how many values
 * it holds, and whether its texts can be kept (no NUL, no half of a surrogate pair).
 * @returns the first fault; null where all is well.
 */
export function soundnessFault(raw: unknown, limits: ValueLimits = VALUE_LIMITS): Fault | null {
  const root: Place = { value: raw, key: '', above: null, depth: 0 };
  const open: Place[] = [root];
  let seen = 0;
  const look = (value: unknown, key: string | number, above: Place): Fault | null => {
    seen += 1;
    if (typeof value === 'object' && value !== null) {
      open.push({ value, key, above, depth: above.depth + 1 });
      return null;
    }
    const fault = typeof value === 'string' ? textFault(value) : null;
    return fault && { path: [...pathOf(above), key], ...fault };
  };
  if (typeof raw === 'string') {
    const fault = textFault(raw);
    return fault && { path: [], ...fault };
  }
  for (let place = open.pop(); place; place = open.pop()) {
    if (place.depth > limits.depth)
      return {
        path: pathOf(place).slice(0, TOLD),
        what: 'it is nested too deeply',
        wanted: `at most ${limits.depth} levels`,
      };
    if (typeof place.value !== 'object' || place.value === null) continue;
    const isList = Array.isArray(place.value);
    for (const [key, value] of Object.entries(place.value)) {
      const keyFault = isList ? null : textFault(key);
      if (keyFault) return { path: pathOf(place), ...keyFault };
      const fault = look(value, isList ? Number(key) : key, place);
      if (fault) return fault;
    }
    if (seen > limits.values)
      return { path: [], what: 'there is too much in it', wanted: `at most ${limits.values} values` };
  }
  return null;
}

/** A value with the way to it; only lists and objects are kept waiting, and a path is made for a fault alone. */
interface Place {
  readonly value: unknown;
  readonly key: string | number;
  readonly above: Place | null;
  readonly depth: number;
}

/** So much of the path to something far too deep is told. */
const TOLD = 4;

function pathOf(place: Place): (string | number)[] {
  const path: (string | number)[] = [];
  for (let at: Place = place; at.above; at = at.above) path.unshift(at.key);
  return path;
}

/** What no text of a plan may hold; null where it holds none of it. */
export function textFault(text: string): Pick<Fault, 'what' | 'wanted'> | null {
  if (text.includes('\0')) return { what: 'a NUL character stands in the text', wanted: 'a text without it' };
  return text.isWellFormed()
    ? null
    : { what: 'half a character stands in the text', wanted: 'whole characters (well-formed Unicode)' };
}
