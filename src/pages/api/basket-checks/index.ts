import { heavyEndpoint, KB } from '../../../server/index.ts';

export const GET = heavyEndpoint('basket-checks', { permission: 'see' });

export const POST = heavyEndpoint('keep-basket-check', { permission: 'plan', most: 500 * KB });
