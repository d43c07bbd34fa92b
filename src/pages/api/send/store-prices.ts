import { heavyEndpoint } from '../../../server/index.ts';

export const GET = heavyEndpoint('review-store-prices', { permission: 'see' });
