import { priceAcrossRequest } from '../../../contracts/index.ts';
import { askPriceAcross, endpoint, outcomeReply } from '../../../server/index.ts';

export const GET = endpoint(
  { permission: 'see', schema: priceAcrossRequest, from: 'query' },
  async ({ app, person, input }) => outcomeReply(await askPriceAcross(app, person, input)),
);
