import { selectionRequest } from '../../../contracts/index.ts';
import {
  endpoint,
  failureReply,
  lookAtSelection,
  now,
  outcomeReply,
  resolveLooking,
} from '../../../server/index.ts';

/** What a rule selects now and in a week. Asked with a body, as a rule may be long. */
export const POST = endpoint(
  { permission: 'see', schema: selectionRequest },
  async ({ app, person, input }) => {
    const looking = await resolveLooking(app, person, input, now());
    if (!looking.ok) return failureReply(looking.failure);
    const { of, rule, text = '' } = input;
    return outcomeReply(await lookAtSelection(app, person, { of, rule, text, ...looking.value }));
  },
);
