import { webhookStepRequest } from '../../../../contracts/index.ts';
import { endpoint, outcomeReply, stepWebhook } from '../../../../server/index.ts';

/** Tells an address nothing more, or tries now what it has not taken. */
export const POST = endpoint(
  { permission: 'administer', schema: webhookStepRequest },
  async ({ app, person, params: { id = '' }, input: { step } }) =>
    outcomeReply(await stepWebhook(app, person, { id, step }, new Date())),
);
