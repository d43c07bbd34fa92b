import { inviteRequest } from '../../../contracts/index.ts';
import { endpoint, invitePerson, listPeople, log, outcomeReply } from '../../../server/index.ts';

/** Everybody who signs in, or did. */
export const GET = endpoint({ permission: 'administer' }, async ({ app, person }) =>
  outcomeReply(await listPeople(app, person)),
);

/** Adds somebody, who is sent a link by which to set a password. */
export const POST = endpoint(
  { permission: 'administer', schema: inviteRequest },
  async ({ app, person, input }) => {
    const outcome = await invitePerson(app, person, input);
    if (outcome.ok)
      log.warn({ by: person.email, invited: input.email, role: input.role }, 'a person was added');
    return outcomeReply(outcome, 201);
  },
);
