import type { Instant } from '../core/calendar/index.ts';
import { epochAt, FILES_AN_EPOCH } from '../core/price-file/index.ts';
import { log } from './machine/log.ts';

/** Notices that a backup was played back, and has terminals put right. */
export interface RestoreWatch {
  /** A terminal says what it holds: a number that nobody here has made was lost with newer data. */
  terminalHolds(store: string, number: number | null): Promise<void>;
  /** The plan in memory is not what the database says it was at that version. */
  planWentBack(): void;
}

export function restoreWatch(ports: {
  /** As it was known a moment ago: nearly every report is about that. */
  knownNumber(store: string): Promise<number | null>;
  /** As the database says now. */
  newestNumber(store: string): Promise<number | null>;
  now(): Instant;
  renew(lost: number | null): Promise<number | null>;
}): RestoreWatch {
  let renewing = false;
  function renew(why: string, lost: number | null): void {
    if (renewing) return;
    renewing = true;
    ports
      .renew(lost)
      .then((stores) => {
        if (stores !== null)
          log.warn({ why, lost, stores }, 'a restored backup was noticed: numbers of price files begin anew');
      })
      .catch((error: unknown) => log.error({ err: error }, 'numbers could not begin anew after a restore'))
      .finally(() => {
        renewing = false;
      });
  }
  return {
    async terminalHolds(store, number) {
      if (number === null || number <= ((await ports.knownNumber(store)) ?? 0)) return;
      // A number that no epoch has reached yet was never given out by anybody: the terminal is wrong, not the database.
      if (number >= epochAt(ports.now()) + FILES_AN_EPOCH) return;
      // It may have taken a file that was made since we last looked.
      if (number > ((await ports.newestNumber(store)) ?? 0))
        renew('a terminal holds a number that nobody here has made', number);
    },
    planWentBack: () => renew('the database is not what it was', null),
  };
}
