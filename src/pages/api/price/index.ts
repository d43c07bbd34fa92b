import { priceRequest } from '../../../contracts/index.ts';
import { answerReply, endpoint } from '../../../server/index.ts';

export const GET = endpoint(
  { permission: 'see', schema: priceRequest, from: 'query' },
  async ({ app, person, input }) => answerReply(await app.heavy.value(person.id, 'askPrice', person, input)),
);
