import { dropBasketCheck, endpoint, outcomeReply } from '../../../server/index.ts';

export const DELETE = endpoint({ permission: 'plan' }, async ({ app, person, context }) =>
  outcomeReply(await dropBasketCheck(app, person, Number(context.params.id))),
);
