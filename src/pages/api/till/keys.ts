import { json, terminalEndpoint } from '../../../server/index.ts';

/** How each key of the chain vouches for the next: a terminal that knows one of them learns the rest. */
export const GET = terminalEndpoint(async ({ app }) => json({ keys: await app.signer.certificates() }));
