import { timestamp } from 'drizzle-orm/pg-core';

/** A moment, whatever the clock of the place. */
export const instant = (name: string) => timestamp(name, { withTimezone: true });
