import type { Person } from '../../contracts/index.ts';
import type { Programs } from '../standing/ports.ts';
import type { HeavyEndpoint } from './heavy-endpoints.ts';
import type { HeavyValue } from './heavy-values.ts';

/** What a request brings along, as it came: it is read in the thread that answers it. */
export interface SentInput {
  readonly bytes: Uint8Array | null;
  /** What the body says it is (Content-Type). */
  readonly type: string | null;
  /** The version that whoever asks has looked at (If-Match). */
  readonly ifMatch: string | null;
  readonly query: Readonly<Record<string, string>>;
  /** Parts of the address. */
  readonly params: Readonly<Record<string, string>>;
}

export type HeavyWork =
  | { readonly kind: 'value'; readonly task: HeavyValue; readonly args: readonly unknown[] }
  | {
      readonly kind: 'endpoint';
      readonly task: HeavyEndpoint;
      readonly person: Person;
      readonly sent: SentInput;
      readonly now: number;
    };

export interface HeavyQuestion {
  readonly number: number;
  readonly work: HeavyWork;
}

/** A response that can pass from thread to thread. */
export interface MadeReply {
  readonly status: number;
  readonly headers: readonly (readonly [string, string])[];
  readonly body: Uint8Array;
}

export type HeavyAnswer =
  | { readonly number: number; readonly kind: 'value'; readonly value: unknown }
  | { readonly number: number; readonly kind: 'reply'; readonly reply: MadeReply }
  /** A line on the way, before the reply. */
  | { readonly number: number; readonly kind: 'news'; readonly line: string }
  | {
      readonly number: number;
      readonly kind: 'failed';
      readonly error: string;
      readonly away: 'database' | 'chain' | null;
    };

/** A thread found the database to be another than it was. */
export interface WentBack {
  readonly kind: 'went-back';
}

/** A thread has its plan, and has answered the first questions by itself. */
export interface WarmedUp {
  readonly kind: 'warmed-up';
}

export interface HeavyWorkerData extends Programs {
  /** Whether the thread is kept for what is quick. */
  readonly kept: boolean;
}
