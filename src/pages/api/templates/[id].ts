import { numberOfAddress } from '../../../contracts/index.ts';
import { dropTemplate, endpoint, failureReply, outcomeReply } from '../../../server/index.ts';

export const DELETE = endpoint({ permission: 'plan' }, async ({ app, person, params }) => {
  const id = numberOfAddress(params.id!);
  return id === null
    ? failureReply({ kind: 'not-found', what: `template ${params.id}` })
    : outcomeReply(await dropTemplate(app, person, id));
});
