import { heavyEndpoint, KB } from '../../server/index.ts';

/** How the prices of the whole chain come about; `dry` only tells what that would do. */
export const PUT = heavyEndpoint('change-chain', { permission: 'administer', most: 20 * KB });
