import { terminalRequest } from '../../../contracts/index.ts';
import { endpoint, handWholeFile, outcomeReply } from '../../../server/index.ts';

/** Has one terminal be handed its whole price file once more. */
export const POST = endpoint(
  { permission: 'send', schema: terminalRequest },
  async ({ app, person, input }) =>
    outcomeReply(await handWholeFile(app, person, input.terminal, new Date())),
);
