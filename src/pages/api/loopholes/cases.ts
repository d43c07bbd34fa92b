import { heavyEndpoint } from '../../../server/index.ts';

/** The stores that a search for loopholes looks at, those together that come to the same. */
export const GET = heavyEndpoint('loophole-cases', { permission: 'see' });
