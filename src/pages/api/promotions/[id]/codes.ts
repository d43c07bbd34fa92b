import { endpoint, heavyEndpoint, KB, outcomeReply } from '../../../../server/index.ts';

/** The batches of single-use codes of a promotion. */
export const GET = endpoint({ permission: 'see' }, async ({ app, person, params }) =>
  outcomeReply(await app.heavy.value(person.id, 'lookAtCodeBatches', person, params.id!)),
);

/** Asks for one more batch; its codes are made beside. */
export const POST = heavyEndpoint('make-codes', { permission: 'plan', most: 10 * KB });
