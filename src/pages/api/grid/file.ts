import { heavyEndpoint } from '../../../server/index.ts';

/** The whole grid as CSV or XLSX. */
export const GET = heavyEndpoint('grid-file', { permission: 'see' });
