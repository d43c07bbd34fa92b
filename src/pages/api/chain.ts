import { endpoint, heavyEndpoint, KB, outcomeReply } from '../../server/index.ts';

/** The chain as its settings show it. */
export const GET = endpoint({ permission: 'administer' }, async ({ app, person }) =>
  outcomeReply(await app.heavy.value(person.id, 'lookAtChain', person)),
);

/** How the prices of the whole chain come about; `dry` only tells what that would do. */
export const PUT = heavyEndpoint('change-chain', { permission: 'administer', most: 20 * KB });
