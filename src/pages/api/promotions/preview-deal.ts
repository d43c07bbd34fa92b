import { dealPreviewRequest } from '../../../contracts/index.ts';
import { endpoint, outcomeReply, previewDeal } from '../../../server/index.ts';

export const POST = endpoint(
  { permission: 'see', schema: dealPreviewRequest },
  async ({ app, person, input: { promotion, store = null, lines = null } }) =>
    outcomeReply(await previewDeal(app, person, { promotion, store, lines })),
);
