import { heavyEndpoint, KB } from '../../../../server/index.ts';

/** Lets somebody in, or not, with a word. */
export const POST = heavyEndpoint('answer-join', { permission: 'plan', most: 4 * KB });
