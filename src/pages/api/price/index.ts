import { priceRequest } from '../../../contracts/index.ts';
import { endpoint, outcomeReply } from '../../../server/index.ts';

export const GET = endpoint(
  { permission: 'see', schema: priceRequest, from: 'query' },
  async ({ app, person, input }) => outcomeReply(await app.heavy.value(person.id, 'askPrice', person, input)),
);
