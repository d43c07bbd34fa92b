import { heavyEndpoint, KB } from '../../../server/index.ts';

/** Sends what was sent once more, as whole files. */
export const POST = heavyEndpoint('send-anew', { permission: 'send', most: 300 * KB });
