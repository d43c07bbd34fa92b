import { keyRequest } from '../../../contracts/index.ts';
import { endpoint, listKeys, log, makeKey, newApiKey, outcomeReply } from '../../../server/index.ts';

/** The keys of other programs; not what they are, which nobody keeps. */
export const GET = endpoint({ permission: 'administer' }, async ({ app, person }) =>
  outcomeReply(await listKeys(app, person)),
);

/** Lets another program in. Its key is in this answer alone. */
export const POST = endpoint(
  { permission: 'administer', schema: keyRequest },
  async ({ app, person, input }) => {
    const outcome = await makeKey(app, person, input, newApiKey(), new Date());
    if (outcome.ok)
      log.warn({ by: person.email, of: outcome.value.id, scopes: input.scopes }, 'a key was made');
    return outcomeReply(outcome, 201);
  },
);
