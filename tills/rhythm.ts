import type { Till } from './till-ports.ts';

/** A till that gets no answer asks again after this long at the latest. */
const LONGEST = 60_000;
/** Tills that are told at once do not all ask at once. */
const SPREAD = 300;

/**
 * How long a till waits until it asks again: each time that it got no answer twice as long, and never quite as long as
 * the others, so that a server that comes back is not asked by all of them in one moment.
 * @param failures in a row.
 * @param chance from 0 up to 1.
 */
export function pauseAfter(failures: number, every: number, chance: number): number {
  const pause = Math.min(every * 2 ** Math.min(failures, 20), Math.max(LONGEST, every));
  return pause * (0.8 + 0.4 * chance);
}

/** A line on which a till is told that there is something to ask for. */
export interface Line {
  close(): void;
}

export interface RhythmPorts {
  readonly every: number;
  /** When it first asks. */
  readonly first: number;
  /** Opens the line; it is opened again by itself where it breaks. Each time that it opens counts as news. */
  openLine(onNews: () => void): Line;
  chance(): number;
}

/** Has a till ask again and again in its own rhythm, and at once where it is told to. */
export function keepAsking(one: Till, { every, first, openLine, chance }: RhythmPorts): void {
  let line: Line | null = null;
  let timer: NodeJS.Timeout;
  let failures = 0;
  let asking = false;
  let toldMeanwhile = false;
  const next = (pause: number) => {
    clearTimeout(timer);
    timer = setTimeout(ask, pause);
  };
  const onNews = () => {
    if (asking) toldMeanwhile = true;
    else next(chance() * SPREAD);
  };
  async function ask(): Promise<void> {
    asking = true;
    toldMeanwhile = false;
    if (!one.isOn()) {
      line?.close();
      line = null;
    }
    const answered = await one.poll();
    failures = answered ? 0 : failures + 1;
    // A line that cannot be opened is no matter for one that is switched off, or that nobody answers.
    if (one.isOn() && answered) line ??= openLine(onNews);
    asking = false;
    next(toldMeanwhile ? chance() * SPREAD : pauseAfter(failures, every, chance()));
  }
  timer = setTimeout(ask, first);
}
