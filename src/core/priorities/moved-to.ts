/** A promotion in the order in which promotions go: 1 first, of equal ones none before the other. */
export interface Ranked {
  readonly id: string;
  readonly priority: number;
}

/**
 * The list with one of it moved, and numbers that say so: it takes one between its new neighbours where there is any;
 * else those behind it make room, no more of them than must, and equal ones stay equal.
 * @param list by rising priority.
 * @param place of it in the list afterwards, from 0 on.
 */
export function movedTo<T extends Ranked>(list: readonly T[], id: string, place: number): readonly T[] {
  const from = list.findIndex((one) => one.id === id);
  const to = Math.max(0, Math.min(list.length - 1, place));
  if (from < 0 || from === to) return list;
  const others = list.toSpliced(from, 1);
  const before = others[to - 1]?.priority ?? 0;
  const behind = others[to]?.priority ?? Number.POSITIVE_INFINITY;
  const room = Number.isFinite(behind) ? Math.floor((before + behind) / 2) : before + STEP;
  const own = Math.max(before + 1, room);
  const moved = { ...list[from]!, priority: own };
  return [...others.slice(0, to), moved, ...pushed(others.slice(to), own)];
}

/** One behind all others stands so far behind them that something fits between. */
const STEP = 10;

/** Those behind a number, each moved on as little as it must. */
function pushed<T extends Ranked>(behind: readonly T[], after: number): T[] {
  let last = after;
  let was: number | null = null;
  return behind.map((one) => {
    const equal = was === one.priority;
    was = one.priority;
    if (!equal) last = Math.max(one.priority, last + 1);
    return last === one.priority ? one : { ...one, priority: last };
  });
}

/** Those whose number is another than it was. */
export const renumbered = <T extends Ranked>(was: readonly T[], is: readonly T[]): readonly T[] => {
  const before = new Map(was.map(({ id, priority }) => [id, priority]));
  return is.filter(({ id, priority }) => before.get(id) !== priority);
};
