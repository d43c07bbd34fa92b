import type Joi from 'joi';
import { failed, type Outcome, type Person, shape } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { parseJson } from '../http/read-body.ts';
import type { Ports } from '../standing/ports.ts';
import type { SentInput } from './heavy-messages.ts';

export interface HeavyAsked<T> {
  readonly app: Ports;
  readonly person: Person;
  readonly input: T;
  readonly params: Readonly<Record<string, string>>;
  readonly query: Readonly<Record<string, string>>;
  /** The body as it came. */
  readonly bytes: Uint8Array;
  /** What the body says it is. */
  readonly type: string | null;
  /** The version that whoever asks has looked at (If-Match); null: they do not say. */
  readonly ifMatch: string | null;
  readonly now: Instant;
  /** Sends a line ahead of the reply. */
  readonly tell: (line: string) => void;
}

export interface HeavyEndpointWork<T = unknown> {
  readonly schema: Joi.Schema<T> | null;
  readonly from: 'body' | 'query';
  readonly work: (asked: HeavyAsked<T>) => Promise<Response>;
}

/** Work on the JSON of the body. */
export const onBody = <T>(schema: Joi.Schema<T>, work: (asked: HeavyAsked<T>) => Promise<Response>) =>
  ({ schema, from: 'body', work }) as HeavyEndpointWork<never>;

/** Work on what the address asks. */
export const onQuery = <T>(schema: Joi.Schema<T>, work: (asked: HeavyAsked<T>) => Promise<Response>) =>
  ({ schema, from: 'query', work }) as HeavyEndpointWork<never>;

/** Work on bytes, or on nothing at all. */
export const onBytes = (work: (asked: HeavyAsked<null>) => Promise<Response>) =>
  ({ schema: null, from: 'body', work }) as HeavyEndpointWork<never>;

/** What was sent, of the shape that the work wants. */
export function readSent<T>({ schema, from }: HeavyEndpointWork<T>, sent: SentInput): Outcome<T> {
  if (!schema) return { ok: true, value: null as T };
  const raw: Outcome<unknown> =
    from === 'query'
      ? { ok: true, value: { ...sent.query } }
      : parseJson(sent.bytes ?? new Uint8Array(), sent.type);
  if (!raw.ok) return raw;
  const shaped = shape(schema, raw.value);
  return shaped.ok ? { ok: true, value: shaped.value } : failed({ kind: 'invalid', faults: shaped.faults });
}
