import { heavyEndpoint, KB } from '../../../server/index.ts';

/** All that is known of somebody, or of an account, and what is for them. */
export const GET = heavyEndpoint('shopper', { permission: 'plan' });

/** What is said of somebody from now on. */
export const PUT = heavyEndpoint('change-shopper', { permission: 'plan', most: 10 * KB });

/** Forgets somebody. */
export const DELETE = heavyEndpoint('wipe-shopper', { permission: 'plan' });
