import { done, failed, joinFields, type Outcome } from '../../contracts/index.ts';

/** What comes of settings that somebody else may have changed since they were opened. */
export function settled<T extends object>(was: T | undefined, asked: T) {
  let standing: T = asked;
  let clashing: readonly string[] = [];
  return {
    /** What is kept of them, whatever stands; null: nothing. */
    by(stands: T): T | null {
      if (!was) return asked;
      const both = joinFields(was, asked, stands);
      clashing = both.clashing;
      standing = clashing.length > 0 ? stands : both.joined;
      return clashing.length > 0 ? null : standing;
    },
    outcome: (): Outcome<T> =>
      clashing.length > 0
        ? failed({ kind: 'conflict', code: 'settings-saved', current: { clashing, standing } })
        : done(standing),
  };
}
