import { dropTemplate, endpoint, outcomeReply } from '../../../server/index.ts';

export const DELETE = endpoint({ permission: 'plan' }, async ({ app, person, context }) =>
  outcomeReply(await dropTemplate(app, person, Number(context.params.id))),
);
