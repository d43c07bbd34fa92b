const PATIENCE = 45_000;
const BETWEEN = 150;

/** Asks again and again until the answer is one that was waited for; fails with the last answer. */
export async function until<T>(ask: () => Promise<T>, holds: (answer: T) => boolean): Promise<T> {
  const end = Date.now() + PATIENCE;
  for (;;) {
    const answer = await ask();
    if (holds(answer)) return answer;
    if (Date.now() > end) throw new Error(`waited in vain; the last answer was ${JSON.stringify(answer)}`);
    await new Promise((resolve) => setTimeout(resolve, BETWEEN));
  }
}
