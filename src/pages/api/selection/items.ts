import { heavyEndpoint, MB } from '../../../server/index.ts';

/** The numbers of every item that a rule selects: what a set is frozen with. */
export const POST = heavyEndpoint('selected-items', { permission: 'see', most: 2 * MB });
