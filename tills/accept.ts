import {
  type ChangeEnvelope,
  type PriceFileEnvelope,
  parseChange,
  parseEnvelope,
} from '../src/contracts/index.ts';
import { changed, type PriceFileContent } from '../src/core/price-file/index.ts';
import { canonicalText, isTrusted, sha256Of, type Trust } from '../src/signing/index.ts';

export type Accepted =
  | {
      readonly ok: true;
      readonly envelope: PriceFileEnvelope;
      /** ISO 8601, UTC; absent where it does not say. */
      readonly goodUntil?: string;
    }
  | {
      readonly ok: false;
      readonly why: string;
      /** What may help: learning keys that are newer, or asking for the whole file. */
      readonly ask?: 'keys' | 'whole';
    };

/** The file in force. */
export interface Held extends Pick<PriceFileEnvelope, 'number' | 'content'> {
  /** Of its text, hexadecimal. */
  readonly sha256: string;
}

/** What a till goes by. */
export interface Acceptor {
  readonly store: string;
  readonly trust: Trust;
  /** The file in force; null: none. */
  readonly holds: Held | null;
}

/**
 * Whether a till may use what it was handed: signed by its chain, for its store, newer than what it holds or that very file. Anything
 * else is refused and the file before stays in force. A difference is put together with what is held first, and then
 * is as good as a whole file, or nothing.
 */
export function accept(raw: unknown, till: Acceptor): Accepted {
  const whole = parseEnvelope(raw);
  if (whole.ok) return acceptWhole(whole.value, till);
  const change = parseChange(raw);
  if (!change.ok) return { ok: false, why: 'the price file has not the form of one' };
  return acceptChange(change.value, till);
}

function acceptChange(
  { store, number, signature, from, fromSha256, change }: ChangeEnvelope,
  till: Acceptor,
): Accepted {
  const { holds } = till;
  const text =
    holds?.number === from && holds.sha256 === fromSha256
      ? textOf(holds, { number, signature, change })
      : null;
  if (text === null)
    return {
      ok: false,
      ask: 'whole',
      why: `price file ${number} came as a difference to ${from}, which it does not hold`,
    };
  const accepted = acceptWhole({ store, number, signature, content: text }, till);
  return accepted.ok || accepted.ask ? accepted : { ...accepted, ask: 'whole' };
}

/** What was put together last: the tills of a store, which share a process here, are sent the same. */
const together = new Map<string, string | null>();
const KEPT = 64;

/** The text that comes out; null where a difference cannot be put together with what is held. */
function textOf(
  holds: Held,
  { number, signature, change }: Pick<ChangeEnvelope, 'number' | 'signature' | 'change'>,
): string | null {
  const key = `${holds.sha256} ${number} ${signature} ${sha256Of(JSON.stringify(change))}`;
  const known = together.get(key);
  if (known !== undefined) return known;
  const text = putTogether(contentOf(holds.content), number, change);
  if (together.size >= KEPT) together.delete(together.keys().next().value!);
  together.set(key, text);
  return text;
}

function putTogether(
  before: PriceFileContent | null,
  number: number,
  change: ChangeEnvelope['change'],
): string | null {
  try {
    return before && canonicalText(changed(before, number, change));
  } catch {
    return null;
  }
}

function acceptWhole(envelope: PriceFileEnvelope, { store, trust, holds }: Acceptor): Accepted {
  const content = contentOf(envelope.content);
  // Which key to look for may be read before anything is believed.
  const key = typeof content?.key === 'string' ? content.key : undefined;
  const { number, signature } = envelope;
  if (!isTrusted(trust, envelope.content, { key, signature })) {
    if (key !== undefined && trust.withdrawn.has(key))
      return { ok: false, why: `price file ${number} was signed with a key that was withdrawn` };
    return {
      ok: false,
      ...(key !== undefined && !trust.keys.has(key) ? { ask: 'keys' } : {}),
      why: `the signature of price file ${number} does not fit; it was tampered with or cut off`,
    };
  }
  if (!content) return { ok: false, why: `price file ${number} holds nothing that can be read` };
  if (content.format !== 'bell-tag-price-file' || content.version !== 1)
    return { ok: false, why: `price file ${number} has a format this till does not know` };
  if (content.store !== store)
    return { ok: false, why: `price file ${number} is for store ${content.store}` };
  // The number inside is the signed one.
  if (content.number !== number)
    return { ok: false, why: `price file ${number} says inside that it is ${content.number}` };
  // The very file that it has may be handed to it once more, for whatever lies on its disk.
  const isTheSame = holds?.number === content.number && holds.content === envelope.content;
  if (holds && content.number <= holds.number && !isTheSame)
    return { ok: false, why: `price file ${content.number} is not newer than ${holds.number}` };
  const { goodUntil } = content;
  return { ok: true, envelope, ...(typeof goodUntil === 'string' ? { goodUntil } : {}) };
}

function contentOf(text: string): PriceFileContent | null {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' ? (value as PriceFileContent | null) : null;
  } catch {
    return null;
  }
}
