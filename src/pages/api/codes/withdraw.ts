import { heavyEndpoint, KB } from '../../../server/index.ts';

/** Withdraws one code of a batch. */
export const POST = heavyEndpoint('withdraw-code', { permission: 'plan', most: 2 * KB });
