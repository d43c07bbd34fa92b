import { webhookRequest } from '../../../contracts/index.ts';
import {
  addWebhook,
  endpoint,
  listWebhooks,
  log,
  newWebhookSecret,
  outcomeReply,
} from '../../../server/index.ts';

/** The addresses that are told what happens. */
export const GET = endpoint({ permission: 'administer' }, async ({ app, person }) =>
  outcomeReply(await listWebhooks(app, person)),
);

/** Has one more told. The secret with which calls are signed is in this answer alone. */
export const POST = endpoint(
  { permission: 'administer', schema: webhookRequest },
  async ({ app, person, input }) => {
    const outcome = await addWebhook(app, person, input, newWebhookSecret());
    if (outcome.ok) log.warn({ by: person.email, ...input }, 'an address is told what happens');
    return outcomeReply(outcome, 201);
  },
);
