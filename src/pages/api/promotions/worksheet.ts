import { worksheetRequest } from '../../../contracts/index.ts';
import { endpoint, layOutWorksheet, outcomeReply } from '../../../server/index.ts';

/** The lines of a worksheet that is being written; nothing is saved. */
export const POST = endpoint(
  { permission: 'see', schema: worksheetRequest },
  async ({ app, person, input }) =>
    outcomeReply(
      await layOutWorksheet(app, person, { promotion: input.promotion, store: input.store ?? null }),
    ),
);
