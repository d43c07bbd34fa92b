/** What other programs may be told. */
export const TOLD_EVENTS = [
  'promotion.approved',
  'prices.sent',
  'terminal.confirmed',
  'terminal.refused',
] as const;
export type ToldEvent = (typeof TOLD_EVENTS)[number];

/** One thing that happened. Moments are ISO 8601, UTC; people are told by their ids. */
export type Told =
  | {
      readonly event: 'promotion.approved';
      readonly at: string;
      readonly promotion: string;
      readonly by: string;
    }
  | {
      readonly event: 'prices.sent';
      readonly at: string;
      readonly number: number;
      readonly stores: readonly string[];
      readonly by: string;
    }
  /** It holds another price file than before. */
  | {
      readonly event: 'terminal.confirmed';
      readonly at: string;
      readonly terminal: string;
      readonly number: number;
    }
  | {
      readonly event: 'terminal.refused';
      readonly at: string;
      readonly terminal: string;
      readonly problem: string;
      /** What it holds all the same. */
      readonly number: number | null;
    };

/** The body of a call. */
export interface ToldCall {
  /** Of the call: however often it is tried, it is one. */
  readonly id: string;
  readonly events: readonly Told[];
}

export interface WebhookRow {
  readonly id: string;
  readonly url: string;
  readonly events: readonly ToldEvent[];
  /** Calls that were not taken yet and are tried again. */
  readonly waiting: number;
  /** Calls that were given up in the last days. */
  readonly givenUp: number;
  /** When the newest call was taken, ISO 8601 UTC; null: none was. */
  readonly takenAt: string | null;
  /** What the newest try came to that was not taken; null: there is none since the last that was. */
  readonly said: string | null;
}

export interface WebhooksView {
  readonly webhooks: readonly WebhookRow[];
}
