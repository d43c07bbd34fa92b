import { putEntryRequest } from '../../../../contracts/index.ts';
import { endpoint, outcomeReply, putEntry, tableOfAddress } from '../../../../server/index.ts';

/** Saves one entry whole, with its rules. */
export const PUT = endpoint(
  { permission: 'see', schema: putEntryRequest },
  async ({ app, person, input, context }) => {
    const address = tableOfAddress(context);
    if ('refusal' in address) return address.refusal;
    return outcomeReply(
      await putEntry(app, person, { table: address.table, key: context.params.key!, ...input }),
    );
  },
);
