import { priceRequest } from '../../../contracts/index.ts';
import { askPrice, endpoint, outcomeReply } from '../../../server/index.ts';

export const GET = endpoint(
  { permission: 'see', schema: priceRequest, from: 'query' },
  async ({ app, person, input }) => outcomeReply(await askPrice(app, person, input)),
);
