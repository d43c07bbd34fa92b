import { terminalRequest } from '../../../contracts/index.ts';
import { endpoint, outcomeReply, wakeTerminal } from '../../../server/index.ts';

/** Has one terminal look at once for what is new. */
export const POST = endpoint(
  { permission: 'send', schema: terminalRequest },
  async ({ app, person, input }) => outcomeReply(await wakeTerminal(app, person, input.terminal)),
);
