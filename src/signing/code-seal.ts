import { createCipheriv, createDecipheriv, createHmac, hkdfSync, randomBytes, randomInt } from 'node:crypto';
import { normalCard } from '../core/cards/index.ts';
import { normalCode } from '../core/codes/index.ts';

/** What a chain does with codes that nobody may guess; the same for all that share its secret. */
export interface CodeSeal {
  /** Of a code as it is compared, 16 bytes of HMAC-SHA-256 (RFC 2104): the same for whatever way of writing it. */
  hashOf(code: string): Buffer;
  /** Of a card's number, under a key of its own. */
  hashOfCard(number: string): Buffer;
  /** What cannot be read without the secret (AES-256-GCM). */
  seal(text: string): Buffer;
  /** @throws where it was sealed under another secret. */
  open(sealed: Uint8Array): string;
  /** From the random numbers of the system. */
  pick(below: number): number;
}

/** The first 16 bytes of HMAC-SHA-256 (RFC 2104) over a code as it is compared. */
export const hashOfCode = (key: Uint8Array, code: string): Buffer =>
  createHmac('sha256', key).update(normalCode(code)).digest().subarray(0, HASH);

const IV = 12;
const TAG = 16;
const HASH = 16;

/** @param secret of the installation; what is kept under another one is known no more. */
export function codeSeal(secret: string): CodeSeal {
  const derived = (use: string) => Buffer.from(hkdfSync('sha256', secret, '', `codes: ${use}`, 32));
  const [naming, sealing] = [derived('naming'), derived('sealing')];
  const cards = derived('cards');
  return {
    hashOf: (code) => hashOfCode(naming, code),
    hashOfCard: (number) => hashOfCode(cards, normalCard(number)),
    seal(text) {
      const iv = randomBytes(IV);
      const cipher = createCipheriv('aes-256-gcm', sealing, iv);
      return Buffer.concat([iv, cipher.update(text, 'utf8'), cipher.final(), cipher.getAuthTag()]);
    },
    open(sealed) {
      const bytes = Buffer.from(sealed);
      const decipher = createDecipheriv('aes-256-gcm', sealing, bytes.subarray(0, IV));
      decipher.setAuthTag(bytes.subarray(-TAG));
      return Buffer.concat([decipher.update(bytes.subarray(IV, -TAG)), decipher.final()]).toString('utf8');
    },
    pick: (below) => randomInt(below),
  };
}
