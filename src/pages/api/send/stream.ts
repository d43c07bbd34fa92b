import { endpoint, newsStream } from '../../../server/index.ts';

/** Tells whoever looks that there is something to look at anew: terminals, price files, the plan. */
export const GET = endpoint({ permission: 'see' }, async ({ app }) => newsStream(app.news));
