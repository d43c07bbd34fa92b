import { basketSchema } from '../../contracts/index.ts';
import { endpoint, outcomeReply } from '../../server/index.ts';

export const POST = endpoint({ permission: 'see', schema: basketSchema }, async ({ app, person, input }) =>
  outcomeReply(await app.heavy.run('ringTrialBasket', person, input)),
);
