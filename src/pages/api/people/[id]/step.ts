import { personStepRequest } from '../../../../contracts/index.ts';
import { endpoint, log, outcomeReply, stepPerson } from '../../../../server/index.ts';

/** Lets somebody in no more, or again, or sends them a link for a new password. */
export const POST = endpoint(
  { permission: 'administer', schema: personStepRequest },
  async ({ app, person, params: { id = '' }, input: { step } }) => {
    const outcome = await stepPerson(app, person, { id, step }, new Date());
    if (outcome.ok) log.warn({ by: person.email, of: id, step }, 'a step was taken with a person');
    return outcomeReply(outcome);
  },
);
