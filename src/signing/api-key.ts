import { hashOfKey, newTerminalKey } from './terminal-key.ts';

/** By which a key is known wherever it turns up: in a log, in a file that was handed on. */
const SIGN = 'bt_';

/** A key by which another program is known: what is shown once, and all that is kept of it. */
export function newApiKey(): { readonly text: string; readonly hash: string } {
  const text = SIGN + newTerminalKey().text;
  return { text, hash: hashOfKey(text) };
}

/** The hash of the key that a request says (`Authorization: Bearer bt_…`); null: it says none. */
export function saidApiKey(authorization: string | null): string | null {
  const [, key] = /^Bearer +(bt_[\w-]{20,100})$/i.exec(authorization ?? '') ?? [];
  return key === undefined ? null : hashOfKey(key);
}
