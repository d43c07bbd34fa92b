import { heavyEndpoint, KB } from '../../../server/index.ts';

/** Approves a change of the stockroom that waits, sends it back with a reason, or drops it. */
export const POST = heavyEndpoint('decide-entries', { permission: 'plan', most: 20 * KB });
