import { beginChainRequest } from '../../../contracts/index.ts';
import { beginChain, endpoint, outcomeReply } from '../../../server/index.ts';

/** Begins a chain where there is none. */
export const POST = endpoint(
  { permission: 'administer', schema: beginChainRequest },
  async ({ app, person, input }) => outcomeReply(await beginChain(app, person, input), 201),
);
