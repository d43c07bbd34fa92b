import { selectionRequest } from '../../../contracts/index.ts';
import {
  endpoint,
  failureReply,
  json,
  now,
  readItemRule,
  resolveLooking,
  selectedItems,
} from '../../../server/index.ts';

/** The numbers of every item that a rule selects: what a set is frozen with. */
export const POST = endpoint(
  { permission: 'see', schema: selectionRequest },
  async ({ app, person, input }) => {
    const looking = await resolveLooking(app, person, input, now());
    if (!looking.ok) return failureReply(looking.failure);
    const current = await app.book.current();
    const rule = readItemRule(input.rule, current);
    if (!rule.ok) return failureReply(rule.failure);
    return json({ skus: selectedItems(current, rule.value, looking.value).map(({ sku }) => sku) });
  },
);
