import { sendRequest } from '../../../contracts/index.ts';
import type { Instant } from '../../../core/calendar/index.ts';
import { endpoint, log, outcomeReply } from '../../../server/index.ts';
import { sendPriceFiles } from '../../../usecases/send-price-files.ts';

export const POST = endpoint({ permission: 'send', schema: sendRequest }, async ({ app, person, input }) => {
  const outcome = await sendPriceFiles(
    app,
    person,
    { stores: input.stores ?? null, planVersion: input.planVersion },
    Date.now() as Instant,
  );
  if (outcome.ok) log.info({ person: person.email, ...outcome.value }, 'price files sent');
  return outcomeReply(outcome);
});
