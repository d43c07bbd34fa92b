import type { Instant } from '../../core/calendar/index.ts';

/** The one place of the server that reads the clock for a use case. */
export const now = (): Instant => Date.now() as Instant;
