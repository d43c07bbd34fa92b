import { dequal } from 'dequal/lite';

export interface JoinedFields<T> {
  /** What only one of the two changed is as they made it; what both changed is as it stands. */
  readonly joined: T;
  /** What both changed, each to something else. */
  readonly clashing: readonly (keyof T & string)[];
}

/** Two people changed one thing from the same beginning: field by field. @param theirs as it stands by now. */
export function joinFields<T extends object>(was: T, mine: T, theirs: T): JoinedFields<T> {
  const keys = Object.keys(mine) as (keyof T & string)[];
  const clashing = keys.filter(
    (key) =>
      !dequal(mine[key], was[key]) && !dequal(theirs[key], was[key]) && !dequal(mine[key], theirs[key]),
  );
  const changed = keys.filter((key) => !dequal(mine[key], was[key]) && !clashing.includes(key));
  return { joined: { ...theirs, ...Object.fromEntries(changed.map((key) => [key, mine[key]])) }, clashing };
}
