import { randomBytes } from 'node:crypto';
import { parseVouched } from '../src/contracts/index.ts';
import { formatMoment, type Instant, zoneClock } from '../src/core/calendar/index.ts';
import { HOUSE_WRITING, momentWords } from '../src/core/writing/index.ts';
import { newestIn, type Trust } from '../src/signing/index.ts';
import type { KeptOnDisk } from './kept-on-disk.ts';
import type { TillIdentity } from './till-ports.ts';

/** What the server vouched for last, as it lies on the disk of a till. */
export interface KeptVouched {
  readonly number: number | null;
  /** Milliseconds since the epoch, by the server's clock. */
  readonly at: number;
}

/** Nobody vouched for its prices for so long: whoever stands between may hold something back. */
const SILENT_FOR = 24 * 3_600_000;
/** A clock may be so far behind. */
const CLOCK_BEHIND = 5 * 60_000;
/** A file may come so many polls after it was vouched for. */
const PATIENCE = 3;
/** It is written down again after so long: a disk is not to be worn out. */
const WRITTEN_EVERY = 60 * 60_000;

/**
 * Whether what a till holds is the newest, and its clock may be believed: the server says so and signs it, in answer to
 * a number that was made up for the question, so that nobody on the way can say it, nor say again what once was true.
 */
export interface Vouched {
  /** What to ask with. */
  question(): string;
  /** @returns false where the answer counts for nothing. */
  hear(raw: unknown, question: string, trust: Trust, now: number): boolean;
  /** No moment before this is now, whatever the clock says. */
  notBefore(): number;
  /**
   * What is wrong, once a poll is over; null: nothing.
   * @param clock by which it would ring; `now` by what passes, which nobody turns.
   */
  trouble(holds: { number: number; goodUntil?: string } | null, clock: number, now: number): string | null;
}

export function vouched(
  { store, timeZone }: Pick<TillIdentity, 'store' | 'timeZone'>,
  disk: KeptOnDisk<KeptVouched>,
): Vouched {
  const read = disk.read();
  let last = read && Number.isFinite(read.at) ? read : null;
  let written = last;
  let waited = 0;
  let heardAt = last?.at ?? 0;
  return {
    question: () => randomBytes(16).toString('hex'),
    hear(raw, nonce, trust, now) {
      const shaped = parseVouched(raw);
      const said = shaped.ok ? newestIn(trust, { store, nonce }, shaped.value) : null;
      if (!said) return false;
      last = said;
      heardAt = now;
      if (written && written.number === said.number && Math.abs(said.at - written.at) < WRITTEN_EVERY)
        return true;
      disk.write(said);
      written = said;
      return true;
    },
    notBefore: () => last?.at ?? 0,
    trouble(holds, clock, now) {
      if (!last) return null;
      const at = momentWords(
        formatMoment(last.at as Instant, zoneClock(timeZone)).slice(0, 16),
        HOUSE_WRITING,
      );
      if (last.at - clock > CLOCK_BEHIND)
        return `its clock stands before what the server has vouched for, ${at}: it rings by that`;
      waited = last.number !== null && last.number > (holds?.number ?? 0) ? waited + 1 : 0;
      if (waited > PATIENCE)
        return `price file ${last.number} is vouched for, and does not come: somebody may hold it back`;
      if (now - heardAt > SILENT_FOR) return `nobody has vouched for its prices since ${at}`;
      const until = holds?.goodUntil;
      return until !== undefined && Date.parse(until) < last.at
        ? `its price file was good until ${until}: a newer one should have come`
        : null;
    },
  };
}
