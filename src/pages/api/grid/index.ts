import { heavyEndpoint } from '../../../server/index.ts';

/** A part of the grid of goods by stores. */
export const GET = heavyEndpoint('grid', { permission: 'see' });
