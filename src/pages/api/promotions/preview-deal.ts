import { dealPreviewRequest } from '../../../contracts/index.ts';
import { endpoint, outcomeReply } from '../../../server/index.ts';

export const POST = endpoint(
  { permission: 'see', schema: dealPreviewRequest },
  async ({ app, person, input: { promotion, store = null, lines = null } }) =>
    outcomeReply(await app.heavy.run('previewDeal', person, { promotion, store, lines })),
);
