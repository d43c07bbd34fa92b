import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { SendingStore } from '../ports/index.ts';
import { findTerminal } from './find-terminal.ts';

/**
 * Gives a terminal a key of its own, in place of the one that it had: that one lets nobody in any more.
 * @param key what the terminal is to say from now on, and the hash that is kept of it; null: it has none, and is
 * refused until it is given one.
 * @returns the key, which is shown this once.
 */
export async function giveTerminalKey(
  { sending }: { sending: SendingStore },
  person: Person,
  { terminal, key }: { readonly terminal: string; readonly key: { text: string; hash: string } | null },
  now: Date,
): Promise<Outcome<{ key: string | null }>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const found = await findTerminal(sending, person, terminal);
  if (!found.ok) return found;
  await sending.giveKey(terminal, key?.hash ?? null, person.id, now);
  return done({ key: key?.text ?? null });
}
