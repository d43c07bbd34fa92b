import { endpoint, heavyEndpoint, KB, outcomeReply, PROMOTION_BYTES } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person, params }) =>
  outcomeReply(await app.heavy.value(person.id, 'openPromotion', person, params.id!)),
);

export const PUT = heavyEndpoint('save-promotion', { permission: 'plan', most: PROMOTION_BYTES });

export const PATCH = heavyEndpoint('promotion-status', { permission: 'plan', most: 20 * KB });
