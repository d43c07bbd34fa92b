import { heavyEndpoint } from '../../../server/index.ts';

/** Promotions in lanes, by store group or by department. */
export const GET = heavyEndpoint('calendar', { permission: 'see' });
