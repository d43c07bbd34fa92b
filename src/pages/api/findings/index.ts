import { heavyEndpoint } from '../../../server/index.ts';

/** What may be wrong from today on. */
export const GET = heavyEndpoint('findings', { permission: 'see' });
