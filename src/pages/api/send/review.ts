import { endpoint, now, outcomeReply, reviewSending } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  outcomeReply(await reviewSending(app, person, now())),
);
