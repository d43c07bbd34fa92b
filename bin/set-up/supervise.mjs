import { say } from './say.mjs';

/** Milliseconds before a part that died begins again; each death soon after the last one doubles them. */
const FIRST_PAUSE = 500;
const LONGEST_PAUSE = 30_000;
/** A part that ran for so long had begun well. */
const RAN_WELL = 60_000;

/** How long to pause before the next beginning, given how long the part ran and how long the last pause was. */
export const nextPause = (ran, before) =>
  ran >= RAN_WELL || before === 0 ? FIRST_PAUSE : Math.min(LONGEST_PAUSE, before * 2);

/**
 * Keeps a part running that has begun: where it dies by itself it is begun again, after a pause that grows.
 * @param part what was begun: `gone` settles when it has ended, `stop` ends it.
 * @param begin begins it anew, and answers with the same; a beginning that fails counts as a death.
 */
export function supervise(name, part, begin) {
  let stopping = false;
  let current = part;
  let pause = 0;
  let wake = () => {};
  const over = (async () => {
    let since = Date.now();
    for (;;) {
      await current.gone;
      if (stopping) return;
      for (;;) {
        pause = nextPause(Date.now() - since, pause);
        say(`${name} ended by itself; it begins again in ${pause / 1000} s.`);
        await new Promise((resolve) => {
          wake = resolve;
          setTimeout(resolve, pause);
        });
        if (stopping) return;
        since = Date.now();
        const anew = await Promise.resolve()
          .then(begin)
          .catch((error) => void say(`${name} could not begin: ${error.message}`));
        if (!anew) continue;
        current = anew;
        if (stopping) await current.stop();
        break;
      }
    }
  })();
  return {
    async stop() {
      stopping = true;
      wake();
      await current.stop();
      await over;
    },
  };
}
