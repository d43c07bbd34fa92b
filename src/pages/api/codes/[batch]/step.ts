import { heavyEndpoint, KB } from '../../../../server/index.ts';

/** Withdraws all codes of a batch, or throws its list away. */
export const POST = heavyEndpoint('step-codes', { permission: 'plan', most: KB });
