import { heavyEndpoint, KB } from '../../../server/index.ts';

/** Somebody new; the number of a card that is drawn for them is in this answer alone. */
export const POST = heavyEndpoint('add-shopper', { permission: 'plan', most: 10 * KB });
