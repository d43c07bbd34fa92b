import { heavyEndpoint, KB } from '../../../../server/index.ts';

/** Submits a promotion or its change, takes that back, approves it, sends it back with a reason, or drops the change. */
export const POST = heavyEndpoint('promotion-step', { permission: 'plan', most: 20 * KB });
