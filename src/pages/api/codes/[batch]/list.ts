import { heavyEndpoint } from '../../../../server/index.ts';

/** The codes of a batch as a file; the trail tells who took it. */
export const POST = heavyEndpoint('code-list', { permission: 'plan', most: 0 });
