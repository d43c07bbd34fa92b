import { createHash, randomBytes } from 'node:crypto';

/** Bits that nobody guesses. */
const BYTES = 24;

/** A key by which a terminal is known: what it says, and all that is kept of it. */
export function newTerminalKey(): { readonly text: string; readonly hash: string } {
  const text = randomBytes(BYTES).toString('base64url');
  return { text, hash: hashOfKey(text) };
}

/** Keys of terminals are long random texts: one SHA-256 is enough to keep them hashed. Hexadecimal. */
export const hashOfKey = (key: string): string => createHash('sha256').update(key).digest('hex');
