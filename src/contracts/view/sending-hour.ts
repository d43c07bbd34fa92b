import type { FindingCode } from '../../core/overlaps/index.ts';

/** An hour of the day in a time zone, at which what is approved goes out by itself. */
export interface SendingHour {
  /** "18:00". */
  readonly time: string;
  /** IANA. */
  readonly timeZone: string;
}

/** Why a promotion did not go out by itself. */
export type WhyLeft = FindingCode | 'loses-money' | 'kept-basket';

/** What came of sending by itself. */
export interface SentByItself {
  /** ISO 8601, UTC. */
  readonly at: string;
  /** The number of the price files; null: there was nothing to send. */
  readonly rollout: number | null;
  readonly stores: number;
  /** Promotions that did not go: something grave was found about each. */
  readonly left: readonly { readonly promotion: string; readonly why: WhyLeft }[];
}

export interface SendingHourView {
  /** Null: somebody looks at it and sends it. */
  readonly hour: SendingHour | null;
  /** When it is next, wall time in its time zone. */
  readonly next: string | null;
  readonly last:
    | (Omit<SentByItself, 'left'> & {
        /** Why is null where that tells of costs, which the reader does not see. */
        readonly left: readonly {
          readonly id: string;
          readonly name: string;
          readonly why: WhyLeft | null;
        }[];
      })
    | null;
  /** Time zones of stores, that of most stores first. */
  readonly timeZones: readonly string[];
}
