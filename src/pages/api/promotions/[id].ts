import { savePromotionRequest, statusRequest } from '../../../contracts/index.ts';
import {
  endpoint,
  failureReply,
  openPromotion,
  outcomeReply,
  savePromotion,
  setPromotionStatus,
} from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person, context }) =>
  outcomeReply(await openPromotion(app, person, context.params.id!)),
);

export const PUT = endpoint(
  { permission: 'plan', schema: savePromotionRequest },
  async ({ app, person, input, context }) => {
    if (input.promotion.id !== context.params.id || input.revision === undefined) {
      return failureReply({
        kind: 'invalid',
        faults: [
          {
            path: ['revision'],
            what: 'the id or the revision does not fit',
            wanted: 'the id of the address and the revision that was opened',
          },
        ],
      });
    }
    return outcomeReply(
      await savePromotion(app, person, { promotion: input.promotion, revision: input.revision }),
    );
  },
);

export const PATCH = endpoint(
  { permission: 'plan', schema: statusRequest },
  async ({ app, person, input, context }) =>
    outcomeReply(await setPromotionStatus(app, person, { id: context.params.id!, ...input })),
);
