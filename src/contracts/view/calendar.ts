import type { PromotionDocument } from '../../core/plan/index.ts';

/** A promotion as a bar over the days. */
export interface CalendarBar {
  readonly id: string;
  readonly name: string;
  readonly status: PromotionDocument['status'];
  readonly sentence: string;
  readonly from: string;
  readonly to: string | null;
  /** It counts only at some hours or days between its ends. */
  readonly partly: boolean;
  readonly revision: number;
}

/** A store group or a department, with what counts there. */
export interface CalendarLane {
  readonly id: string;
  readonly name: string;
  readonly bars: readonly CalendarBar[];
}

export const LANES_BY = ['group', 'department'] as const;
export type LanesBy = (typeof LANES_BY)[number];
