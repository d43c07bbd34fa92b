import { createPublicKey, verify } from 'node:crypto';
import { type PriceFileEnvelope, parseEnvelope } from '../src/contracts/index.ts';
import type { PriceFileContent } from '../src/core/price-file/index.ts';

export type Accepted =
  | { readonly ok: true; readonly envelope: PriceFileEnvelope }
  | { readonly ok: false; readonly why: string };

/**
 * Whether a till may use what it was handed: signed by its chain, for its store, newer than what it holds. Anything
 * else is refused and the file before stays in force.
 */
export function accept(
  raw: unknown,
  till: { store: string; publicKey: string; holds: number | null },
): Accepted {
  const shaped = parseEnvelope(raw);
  if (!shaped.ok) return { ok: false, why: 'the price file has not the form of one' };
  const envelope = shaped.value;
  if (!isGenuine(envelope, till.publicKey))
    return {
      ok: false,
      why: `the signature of price file ${envelope.number} does not fit; it was tampered with or cut off`,
    };
  const content = contentOf(envelope.content);
  if (!content) return { ok: false, why: `price file ${envelope.number} holds nothing that can be read` };
  if (content.format !== 'bell-tag-price-file' || content.version !== 1)
    return { ok: false, why: `price file ${envelope.number} has a format this till does not know` };
  if (content.store !== till.store)
    return { ok: false, why: `price file ${envelope.number} is for store ${content.store}` };
  // The number inside is the signed one.
  if (content.number !== envelope.number)
    return { ok: false, why: `price file ${envelope.number} says inside that it is ${content.number}` };
  if (till.holds !== null && content.number <= till.holds)
    return { ok: false, why: `price file ${content.number} is not newer than ${till.holds}` };
  return { ok: true, envelope };
}

function isGenuine({ content, signature }: PriceFileEnvelope, publicKey: string): boolean {
  try {
    return verify(
      null,
      Buffer.from(content, 'utf8'),
      createPublicKey(publicKey),
      Buffer.from(signature, 'base64'),
    );
  } catch {
    return false;
  }
}

function contentOf(text: string): PriceFileContent | null {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' ? (value as PriceFileContent | null) : null;
  } catch {
    return null;
  }
}
