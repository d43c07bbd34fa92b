import { normalCode } from './normal-code.ts';

/** Kept as long as the list itself: every basket asks anew. */
const known = new WeakMap<readonly string[], ReadonlySet<string>>();

/** The codes of a promotion, as they are compared. */
export function normalCodes(codes: readonly string[]): ReadonlySet<string> {
  const before = known.get(codes);
  if (before) return before;
  const normal = new Set(codes.map(normalCode));
  known.set(codes, normal);
  return normal;
}
