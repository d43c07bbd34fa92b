import { browseRequest, stockroomEditRequest } from '../../../../contracts/index.ts';
import {
  browseStockroom,
  changeStockroom,
  endpoint,
  failureReply,
  json,
  now,
  outcomeReply,
  readItemRule,
  resolveLooking,
  tableOfAddress,
} from '../../../../server/index.ts';

/** Rows of one table, found and sorted, a stretch at a time. */
export const GET = endpoint(
  { permission: 'see', schema: browseRequest, from: 'query' },
  async ({ app, person, input, context }) => {
    const address = tableOfAddress(context);
    if ('refusal' in address) return address.refusal;
    const looking = await resolveLooking(app, person, input, now());
    if (!looking.ok) return failureReply(looking.failure);
    const rule = input.rule === undefined ? null : readItemRule(parsed(input.rule), await app.book.current());
    if (rule && !rule.ok) return failureReply(rule.failure);
    return json(
      await browseStockroom(app, person, {
        ...looking.value,
        table: address.table,
        text: input.q ?? '',
        sort: input.sort ?? null,
        descending: input.desc === '1',
        offset: Number(input.offset ?? 0),
        limit: Number(input.limit ?? 100),
        rule: rule?.value ?? null,
        carried: input.carried === '1',
      }),
    );
  },
);

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
};

/** Changes, adds and drops rows of one table: all of them or none. */
export const POST = endpoint(
  { permission: 'see', schema: stockroomEditRequest },
  async ({ app, person, input, context }) => {
    const address = tableOfAddress(context);
    if ('refusal' in address) return address.refusal;
    return outcomeReply(await changeStockroom(app, person, { table: address.table, ...input }));
  },
);
