import { FILE_LIMITS, heavyEndpoint } from '../../../server/index.ts';

/** The lines of a worksheet out of a file, whose bytes are the body. Nothing is saved. */
export const POST = heavyEndpoint('sheet-lines', { permission: 'plan', most: FILE_LIMITS.bytes });
