import { heavyEndpoint, KB } from '../../server/index.ts';

export const POST = heavyEndpoint('basket', { permission: 'see', most: 500 * KB });
