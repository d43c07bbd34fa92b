import type { SendingHour, SentByItself } from '../../contracts/view/sending-hour.ts';
import type { Instant } from '../../core/calendar/index.ts';

export interface KeptSendingHour {
  readonly hour: SendingHour | null;
  /** Until when what was due is done. */
  readonly doneUntil: Instant;
  readonly last: SentByItself | null;
}

/** Port: the hour at which what is approved goes out by itself, and what came of it. */
export interface SendingHourStore {
  current(): Promise<KeptSendingHour>;
  /** What was due before is not done any more. */
  set(hour: SendingHour | null, person: string, now: Date): Promise<void>;
  done(result: SentByItself): Promise<void>;
}
