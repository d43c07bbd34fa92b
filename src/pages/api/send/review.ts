import { heavyEndpoint } from '../../../server/index.ts';

export const GET = heavyEndpoint('review-sending', { permission: 'see' });
