import { log } from './machine/log.ts';

const REST = 1_000;

/** Calls once the plan has rested for a second after it was told of a change. @returns what is told. */
export function restingPlan(onChange: () => Promise<unknown>): () => void {
  let resting: NodeJS.Timeout | undefined;
  return () => {
    clearTimeout(resting);
    resting = setTimeout(
      () =>
        onChange().catch((error: unknown) =>
          log.error({ err: error }, 'what follows a change of the plan failed'),
        ),
      REST,
    );
    resting.unref();
  };
}
