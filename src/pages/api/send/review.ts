import type { Instant } from '../../../core/calendar/index.ts';
import { endpoint, outcomeReply } from '../../../server/index.ts';
import { reviewSending } from '../../../usecases/review-sending.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  outcomeReply(await reviewSending(app, person, Date.now() as Instant)),
);
