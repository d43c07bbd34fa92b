import { keyStepRequest } from '../../../../contracts/index.ts';
import { endpoint, log, newApiKey, outcomeReply, stepKey } from '../../../../server/index.ts';

/** Replaces a key, or takes it. */
export const POST = endpoint(
  { permission: 'administer', schema: keyStepRequest },
  async ({ app, person, params: { id = '' }, input: { step } }) => {
    const outcome = await stepKey(app, person, { id, step }, newApiKey(), new Date());
    if (outcome.ok) log.warn({ by: person.email, of: id, step }, 'a step was taken with a key');
    return outcomeReply(outcome);
  },
);
