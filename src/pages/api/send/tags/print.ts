import { heavyEndpoint, MB } from '../../../../server/index.ts';

/** Shelf tags as a PDF. Asked with a body, as a list of items may be long. */
export const POST = heavyEndpoint('print-tags', { permission: 'see', most: MB });
