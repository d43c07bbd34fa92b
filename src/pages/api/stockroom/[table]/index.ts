import { heavyEndpoint, MB } from '../../../../server/index.ts';

/** Rows of one table, found and sorted, a stretch at a time. */
export const GET = heavyEndpoint('browse', { permission: 'see' });

/** Changes, adds and drops rows of one table: all of them or none. */
export const POST = heavyEndpoint('change-rows', { permission: 'plan', most: 20 * MB });
