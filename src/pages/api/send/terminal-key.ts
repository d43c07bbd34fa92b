import { terminalRequest } from '../../../contracts/index.ts';
import { endpoint, giveTerminalKey, log, newTerminalKey, outcomeReply } from '../../../server/index.ts';

/** Gives a terminal a new key, which is shown this once; the one before lets nobody in any more. */
export const POST = endpoint(
  { permission: 'administer', schema: terminalRequest },
  async ({ app, person, input: { terminal } }) => {
    const outcome = await giveTerminalKey(app, person, { terminal, key: newTerminalKey() }, new Date());
    if (outcome.ok) log.warn({ person: person.email, terminal }, 'a terminal was given a new key');
    return outcomeReply(outcome);
  },
);

/** Takes a terminal's key: it is refused until it is given another. */
export const DELETE = endpoint(
  { permission: 'administer', schema: terminalRequest },
  async ({ app, person, input: { terminal } }) => {
    const outcome = await giveTerminalKey(app, person, { terminal, key: null }, new Date());
    if (outcome.ok) log.warn({ person: person.email, terminal }, 'the key of a terminal was taken');
    return outcomeReply(outcome);
  },
);
