import { priceRequest } from '../../contracts/index.ts';
import { endpoint, outcomeReply } from '../../server/index.ts';
import { askPrice } from '../../usecases/ask-price.ts';

export const GET = endpoint(
  { permission: 'see', schema: priceRequest, from: 'query' },
  async ({ app, person, input }) => outcomeReply(await askPrice(app, person, input)),
);
