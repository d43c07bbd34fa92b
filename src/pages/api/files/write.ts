import { heavyEndpoint, MB } from '../../../server/index.ts';

/** Rows that stand on a page, as a file. */
export const POST = heavyEndpoint('write-file', { permission: 'see', most: 30 * MB });
