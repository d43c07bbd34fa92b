import { log } from './log.ts';

/** Notices that a backup was played back, and has terminals put right. */
export interface RestoreWatch {
  /** A terminal says what it holds: a number that nobody here has made was lost with newer data. */
  terminalHolds(store: string, number: number | null): Promise<void>;
  /** The plan in memory is not what the database says it was at that version. */
  planWentBack(): void;
}

export function restoreWatch(ports: {
  newestNumber(store: string): Promise<number | null>;
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
      if (number === null) return;
      const newest = (await ports.newestNumber(store)) ?? 0;
      if (number > newest) renew('a terminal holds a number that nobody here has made', number);
    },
    planWentBack: () => renew('the database is not what it was', null),
  };
}
