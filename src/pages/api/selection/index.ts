import { heavyEndpoint, MB } from '../../../server/index.ts';

/** What a rule selects now and in a week. Asked with a body, as a rule may be long. */
export const POST = heavyEndpoint('selection', { permission: 'see', most: 2 * MB });
