import { numberOfAddress } from '../../../contracts/index.ts';
import { dropBasketCheck, endpoint, failureReply, outcomeReply } from '../../../server/index.ts';

export const DELETE = endpoint({ permission: 'plan' }, async ({ app, person, params }) => {
  const id = numberOfAddress(params.id!);
  return id === null
    ? failureReply({ kind: 'not-found', what: `kept basket ${params.id}` })
    : outcomeReply(await dropBasketCheck(app, person, id));
});
