/**
 * A glance at the plan; something to be worked out; something that may take as long as it is let; the same, but worked
 * out ahead or beside what somebody does, so that it may be late.
 */
export type Lane = 'quick' | 'ordinary' | 'long' | 'beside';

/** What waits for a thread. */
export interface Waiting {
  readonly person: string;
  /** How long it may take: by its kind, or because much was sent. */
  readonly lane: Lane;
  /** Bytes that were sent: of one person's questions the small ones go first. */
  readonly size: number;
  /** Milliseconds, by any clock that runs forward. */
  readonly since: number;
}

export interface QueueLimits {
  readonly inAll: number;
  readonly perPerson: number;
  /** What has waited for so long goes before what is smaller. */
  readonly patience: number;
}

/** A queue that is fair between people: nobody waits for all that somebody else has asked. */
export interface FairQueue<T extends Waiting> {
  /** @returns why it was not taken in; null where it was. */
  add(entry: T): 'full' | 'person-full' | null;
  remove(entry: T): void;
  /** The next one that may begin; null where there is none. */
  take(may: (entry: T) => boolean, now: number): T | null;
  readonly length: number;
}

/**
 * People take turns, the one who was served longest ago first; of one person's questions the smallest goes first,
 * unless another has waited for too long.
 */
export function fairQueue<T extends Waiting>(limits: QueueLimits): FairQueue<T> {
  const entries: T[] = [];
  const served = new Map<string, number>();
  let turn = 0;
  return {
    get length() {
      return entries.length;
    },
    add(entry) {
      if (entries.length >= limits.inAll) return 'full';
      if (entries.filter(({ person }) => person === entry.person).length >= limits.perPerson)
        return 'person-full';
      entries.push(entry);
      return null;
    },
    remove(entry) {
      const at = entries.indexOf(entry);
      if (at >= 0) entries.splice(at, 1);
    },
    take(may, now) {
      const late = (entry: T) => now - entry.since > limits.patience;
      const before = (a: T, b: T): number =>
        (served.get(a.person) ?? 0) - (served.get(b.person) ?? 0) ||
        Number(late(b)) - Number(late(a)) ||
        (late(a) ? 0 : a.size - b.size) ||
        a.since - b.since;
      const next = entries
        .filter(may)
        .reduce<T | null>((best, one) => (best && before(best, one) <= 0 ? best : one), null);
      if (!next) return null;
      this.remove(next);
      turn += 1;
      served.set(next.person, turn);
      // Who waits for nothing any more begins anew.
      if (served.size > 1000)
        for (const person of served.keys())
          if (!entries.some((one) => one.person === person)) served.delete(person);
      return next;
    },
  };
}
