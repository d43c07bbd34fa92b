import { heavyEndpoint } from '../../server/index.ts';

/** The promotions for an ordinary calendar program. */
export const GET = heavyEndpoint('calendar-file', { permission: 'see' });
