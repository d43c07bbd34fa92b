import { heavyEndpoint, MB } from '../../../server/index.ts';

/** The whole plan as an open document, costs and all. */
export const GET = heavyEndpoint('whole-plan', { permission: 'see' });

/** Makes a document the whole plan, or refuses all of it. */
export const PUT = heavyEndpoint('replace-plan', { permission: 'administer', most: 200 * MB });
