import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { SendingStore } from '../ports/index.ts';
import { findTerminal } from './find-terminal.ts';

/** Has one terminal look at once for what is new. One that is not connected looks by itself, within its pause. */
export async function wakeTerminal(
  { sending }: { sending: SendingStore },
  person: Person,
  terminal: string,
): Promise<Outcome<object>> {
  if (!may(person, 'send')) return failed({ kind: 'forbidden' });
  const found = await findTerminal(sending, person, terminal);
  if (!found.ok) return found;
  await sending.wake(terminal);
  return done({});
}
