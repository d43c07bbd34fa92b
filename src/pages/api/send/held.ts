import { holdBackRequest } from '../../../contracts/index.ts';
import { endpoint, holdBack, outcomeReply } from '../../../server/index.ts';

/** Holds a promotion back from what is sent, or lets it go. */
export const PUT = endpoint({ permission: 'send', schema: holdBackRequest }, async ({ app, person, input }) =>
  outcomeReply(await holdBack(app, person, input)),
);
