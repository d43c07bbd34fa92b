import { FILE_LIMITS, heavyEndpoint } from '../../../../server/index.ts';

/** The rows of a table as a file. */
export const GET = heavyEndpoint('table-file', { permission: 'see' });

/**
 * Brings a file in: its bytes are the body. `?dry=1` only tells what it would do; `?matching=` says which column is
 * which field. Answers line by line with how far it is, and last with what came of it.
 */
export const POST = heavyEndpoint('bring-in', { permission: 'plan', most: FILE_LIMITS.bytes });
