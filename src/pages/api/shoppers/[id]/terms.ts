import { heavyEndpoint, KB } from '../../../../server/index.ts';

/** Tells the plan of somebody, with the account that they belong to and a price list of their own. */
export const POST = heavyEndpoint('give-terms', { permission: 'plan', most: 2 * KB });
