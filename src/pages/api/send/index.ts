import { sendRequest } from '../../../contracts/index.ts';
import { endpoint, log, now, outcomeReply, sendPriceFiles } from '../../../server/index.ts';

export const POST = endpoint({ permission: 'send', schema: sendRequest }, async ({ app, person, input }) => {
  const outcome = await sendPriceFiles(
    app,
    person,
    { stores: input.stores ?? null, planVersion: input.planVersion },
    now(),
  );
  if (outcome.ok) log.info({ person: person.email, ...outcome.value }, 'price files sent');
  return outcomeReply(outcome);
});
