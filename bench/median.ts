/** The times of many runs in milliseconds, rising, after as many to warm up. */
export async function timesOf(work: (run: number) => unknown, runs: number, warm = runs): Promise<number[]> {
  const times: number[] = [];
  for (let run = 0; run < warm + runs; run++) {
    const begun = performance.now();
    await work(run);
    if (run >= warm) times.push(performance.now() - begun);
  }
  return times.sort((a, b) => a - b);
}

/** The middle of rising times, or another share of them. */
export const share = (times: readonly number[], of = 0.5): number =>
  times[Math.min(times.length - 1, Math.floor(times.length * of))]!;
