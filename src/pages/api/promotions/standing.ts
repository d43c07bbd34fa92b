import { heavyEndpoint, KB } from '../../../server/index.ts';

/** How promotions stand to each other; `dry` only tells what that would do. */
export const POST = heavyEndpoint('standing', { permission: 'plan', most: 200 * KB });
