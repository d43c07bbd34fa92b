import { heavyEndpoint } from '../../../server/index.ts';

/** The promotions that count on a day, in the order in which they go. */
export const GET = heavyEndpoint('order', { permission: 'see' });
