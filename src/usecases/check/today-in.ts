import type { Instant, WallTime } from '../../core/calendar/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';

/** What the clock says at the first store: the others may be a few hours before or behind. */
export const todayIn = ({ plan, clockOf }: CompiledPlan, now: Instant): WallTime =>
  clockOf(plan.stores[0] ?? { timeZone: 'UTC' }).toWall(now);
