import { done, failed, type Outcome, type Person, sees } from '../../contracts/index.ts';
import type { SendingStore, TerminalStatus } from '../ports/index.ts';

/** A terminal as a person sees it: of a store that is theirs to see. */
export async function findTerminal(
  sending: SendingStore,
  person: Person,
  terminal: string,
): Promise<Outcome<TerminalStatus>> {
  const found = await sending.terminal(terminal);
  return found && sees(person, found.store)
    ? done(found)
    : failed({ kind: 'not-found', what: `terminal ${terminal} for you` });
}
