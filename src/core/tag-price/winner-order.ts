import type { MinorUnits } from '../money/index.ts';

export interface Ranked {
  readonly id: string;
  readonly priority: number;
  readonly result: MinorUnits;
}
export type WinnerOrder = (a: Ranked, b: Ranked) => number;

const byId = (a: { id: string }, b: { id: string }): number => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** Chain policy `priority`: priority (1 first), then the lower result, then the id. */
export const priorityFirst: WinnerOrder = (a, b) =>
  a.priority - b.priority || a.result - b.result || byId(a, b);

/** Chain policy `lowest`: the lower result, then priority, then the id. */
export const lowestFirst: WinnerOrder = (a, b) =>
  a.result - b.result || a.priority - b.priority || byId(a, b);

/** The order in which changes on top apply: priority, then the id. */
export const onTopOrder = (
  a: { id: string; priority: number },
  b: { id: string; priority: number },
): number => a.priority - b.priority || byId(a, b);

/** Why `loser` stands behind `winner` in an order. */
export function reasonBehind(winner: Ranked, loser: Ranked, order: WinnerOrder) {
  if (order === priorityFirst && winner.priority !== loser.priority) return 'lower-priority';
  if (winner.result !== loser.result) return 'higher-price';
  return winner.priority !== loser.priority ? 'lower-priority' : 'later-id';
}
