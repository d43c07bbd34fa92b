import { heavyEndpoint, KB } from '../../../server/index.ts';

/** One action on many promotions; `dry` only tells what it would do. */
export const POST = heavyEndpoint('many-promotions', { permission: 'plan', most: 200 * KB });
