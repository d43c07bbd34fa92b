import { createHmac } from 'node:crypto';

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';
const HALF_MINUTE = 30_000;

/** The six digits that a device shows (RFC 6238, SHA-1). @param secret base32; `ahead`: half minutes from now. */
export function oneTimeCode(secret: string, ahead = 0): string {
  const bits = [...secret].map((letter) => LETTERS.indexOf(letter).toString(2).padStart(5, '0')).join('');
  const key = Buffer.from(bits.match(/.{8}/g)!.map((byte) => Number.parseInt(byte, 2)));
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(Date.now() / HALF_MINUTE) + ahead));
  const hash = createHmac('sha1', key).update(counter).digest();
  const at = hash.at(-1)! & 0xf;
  return String((hash.readUInt32BE(at) & 0x7f_ff_ff_ff) % 1_000_000).padStart(6, '0');
}
