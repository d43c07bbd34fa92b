import { heavyEndpoint, KB } from '../../../server/index.ts';

/** What a code is, and who used it. A POST: a code has no place in an address that is logged. */
export const POST = heavyEndpoint('find-code', { permission: 'see', most: 2 * KB });
