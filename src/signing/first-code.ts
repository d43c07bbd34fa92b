import { randomInt } from 'node:crypto';
import { hashOfKey } from './terminal-key.ts';

/** Letters and digits that are not taken for one another, however they are read off a console. */
const SIGNS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';
const GROUPS = 4;
const IN_A_GROUP = 5;

/** A code that is read off one screen and typed into another: 98 bits. */
export function newFirstCode(): { readonly text: string; readonly hash: string } {
  const group = () => Array.from({ length: IN_A_GROUP }, () => SIGNS[randomInt(SIGNS.length)]).join('');
  const text = Array.from({ length: GROUPS }, group).join('-');
  return { text, hash: hashOfFirstCode(text) };
}

/** However it was typed. */
export const hashOfFirstCode = (typed: string): string =>
  hashOfKey(typed.toUpperCase().replace(/[^A-Z0-9]/g, ''));
