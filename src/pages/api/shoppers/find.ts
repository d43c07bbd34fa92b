import { heavyEndpoint, KB } from '../../../server/index.ts';

/** People and accounts by name, number or card. A POST: none of these has a place in an address that is logged. */
export const POST = heavyEndpoint('find-shoppers', { permission: 'plan', most: 2 * KB });
