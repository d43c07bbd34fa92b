import { log } from './machine/log.ts';

const REST = 1_000;
/** What failed, as while the database is away, is tried again so much later: what follows a change must not be lost. */
const AGAIN_AFTER = 5_000;

/** Calls once the plan has rested for a second after it was told of a change. @returns what is told. */
export function restingPlan(onChange: () => Promise<unknown>): () => void {
  let resting: NodeJS.Timeout | undefined;
  const after = (time: number) => {
    clearTimeout(resting);
    resting = setTimeout(follow, time).unref();
  };
  const follow = () =>
    onChange().catch((error: unknown) => {
      log.error({ err: error }, 'what follows a change of the plan failed, and is tried again');
      after(AGAIN_AFTER);
    });
  return () => after(REST);
}
