import { heavyEndpoint, KB } from '../../../server/index.ts';

export const POST = heavyEndpoint('send', { permission: 'send', most: 300 * KB });
