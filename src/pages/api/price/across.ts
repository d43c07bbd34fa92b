import { priceAcrossRequest } from '../../../contracts/index.ts';
import { endpoint, outcomeReply } from '../../../server/index.ts';

export const GET = endpoint(
  { permission: 'see', schema: priceAcrossRequest, from: 'query' },
  async ({ app, person, input }) =>
    outcomeReply(await app.heavy.value(person.id, 'askPriceAcross', person, input)),
);
