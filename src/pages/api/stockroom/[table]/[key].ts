import { heavyEndpoint, MB } from '../../../../server/index.ts';

/** Saves one entry whole, with its rules. */
export const PUT = heavyEndpoint('put-entry', { permission: 'plan', most: 4 * MB });
