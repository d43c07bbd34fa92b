import { heavyEndpoint, KB } from '../../../server/index.ts';

/** At which hour what is approved goes out by itself. */
export const GET = heavyEndpoint('sending-hour', { permission: 'see' });
export const PUT = heavyEndpoint('set-sending-hour', { permission: 'administer', most: 4 * KB });
