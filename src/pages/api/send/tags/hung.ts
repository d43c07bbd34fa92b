import { heavyEndpoint, MB } from '../../../../server/index.ts';

/** What a store says hangs at its shelves. */
export const POST = heavyEndpoint('hang-tags', { permission: 'hang', most: MB });
