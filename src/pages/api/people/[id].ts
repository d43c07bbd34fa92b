import { personRequest } from '../../../contracts/index.ts';
import { changePerson, endpoint, log, outcomeReply } from '../../../server/index.ts';

/** Changes what somebody may do and see. */
export const PUT = endpoint(
  { permission: 'administer', schema: personRequest },
  async ({ app, person, params: { id = '' }, input }) => {
    const outcome = await changePerson(app, person, { id, ...input });
    if (outcome.ok) log.warn({ by: person.email, of: id, role: input.role }, 'a person was changed');
    return outcomeReply(outcome);
  },
);
