import { basketSchema } from '../../contracts/index.ts';
import { endpoint, outcomeReply, ringTrialBasket } from '../../server/index.ts';

/** Rings a basket without selling anything. */
export const POST = endpoint({ permission: 'see', schema: basketSchema }, async ({ app, person, input }) =>
  outcomeReply(await ringTrialBasket(app, person, input)),
);
