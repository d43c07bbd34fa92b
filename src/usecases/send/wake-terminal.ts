import { done, failed, may, type Outcome, type Person, sees } from '../../contracts/index.ts';
import type { SendingStore } from '../ports/index.ts';

/** Has one terminal look at once for what is new. One that is not connected looks by itself, within its pause. */
export async function wakeTerminal(
  ports: { sending: SendingStore },
  person: Person,
  terminal: string,
): Promise<Outcome<object>> {
  if (!may(person, 'send')) return failed({ kind: 'forbidden' });
  const found = (await ports.sending.terminals()).find((one) => one.terminal === terminal);
  if (!found || !sees(person, found.store))
    return failed({ kind: 'not-found', what: `terminal ${terminal} for you` });
  await ports.sending.wake(terminal);
  return done({});
}
