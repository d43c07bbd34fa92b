import { done, failed, invalid, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { SendingStore } from '../ports/index.ts';
import { findTerminal } from './find-terminal.ts';

/**
 * Has one terminal be handed once more, and whole, the file that its store was sent last, whatever it says that it has.
 * One that is off is handed it when it is on again.
 */
export async function handWholeFile(
  { sending }: { sending: SendingStore },
  person: Person,
  terminal: string,
  now: Date,
): Promise<Outcome<object>> {
  if (!may(person, 'send')) return failed({ kind: 'forbidden' });
  const found = await findTerminal(sending, person, terminal);
  if (!found.ok) return found;
  if (found.value.wanted === null)
    return invalid(['terminal'], 'its store was sent nothing yet', 'send to its store first');
  await sending.askWhole(terminal, now);
  return done({});
}
