import type { PromotionSummary } from '../contracts/view/index.ts';

export const PHASES = ['draft', 'live', 'coming', 'paused', 'over', 'archived'] as const;
export type Phase = (typeof PHASES)[number];

/** Where a promotion stands at a wall time: an approved one is live by the clock alone. */
export function phaseOf(
  { status, from, to }: Pick<PromotionSummary, 'status' | 'from' | 'to'>,
  at: string,
): Phase {
  const moment = at.slice(0, 16);
  if (status === 'archived') return 'archived';
  if (to !== null && to <= moment) return 'over';
  if (status !== 'approved') return status;
  return from <= moment ? 'live' : 'coming';
}
