import { FILE_LIMITS, heavyEndpoint } from '../../../server/index.ts';

/** Everybody whom the chain knows, as a file. */
export const GET = heavyEndpoint('people-file', { permission: 'plan' });

/** Brings people in: the bytes of a file are the body; asked and answered as for a table of the stockroom. */
export const POST = heavyEndpoint('bring-people-in', { permission: 'plan', most: FILE_LIMITS.bytes });
