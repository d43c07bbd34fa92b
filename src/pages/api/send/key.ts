import { endpoint, heavyEndpoint, json, KB } from '../../../server/index.ts';

/** The keys with which price files are and were signed. */
export const GET = endpoint({ permission: 'see' }, async ({ app }) => json({ keys: await app.signer.all() }));

/** Makes a new key. */
export const POST = heavyEndpoint('replace-key', { permission: 'administer', most: KB });
