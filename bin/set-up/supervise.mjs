import { say } from './say.mjs';

/** Milliseconds before a part that died begins again; each death soon after the last one doubles them. */
const FIRST_PAUSE = 500;
const LONGEST_PAUSE = 30_000;
/** How long to pause before the next beginning, given whether the part had begun well and how long the last pause was. */
export const nextPause = (beganWell, before) =>
  beganWell || before === 0 ? FIRST_PAUSE : Math.min(LONGEST_PAUSE, before * 2);

/**
 * Keeps a part running that has begun: where it dies by itself it is begun again, after a pause that grows.
 * @param part what was begun: `gone` settles when it has ended, `stop` ends it.
 * @param begin begins it anew, and answers with the same; a beginning that fails counts as a death.
 * @param answers settles once a part that was begun does its work; absent: it does as soon as it has begun.
 */
export function supervise(name, part, begin, answers = async () => {}) {
  let stopping = false;
  let current = part;
  let pause = 0;
  let wake = () => {};
  const over = (async () => {
    // The one that was handed over does its work already.
    let beganWell = true;
    for (;;) {
      await current.gone;
      if (stopping) return;
      for (;;) {
        pause = nextPause(beganWell, pause);
        say(`${name} ended by itself; it begins again in ${pause / 1000} s.`);
        await new Promise((resolve) => {
          wake = resolve;
          setTimeout(resolve, pause);
        });
        if (stopping) return;
        beganWell = false;
        const anew = await Promise.resolve()
          .then(begin)
          .catch((error) => void say(`${name} could not begin: ${error.message}`));
        if (!anew) continue;
        current = anew;
        answers(anew).then(
          () => {
            if (current === anew) beganWell = true;
          },
          () => {},
        );
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
