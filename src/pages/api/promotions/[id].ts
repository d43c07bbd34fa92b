import {
  endpoint,
  heavyEndpoint,
  json,
  KB,
  outcomeReply,
  PROMOTION_BYTES,
  revisionTag,
} from '../../../server/index.ts';

/** Its revision is its ETag. */
export const GET = endpoint({ permission: 'see' }, async ({ app, person, params }) => {
  const outcome = await app.heavy.value(person.id, 'openPromotion', person, params.id!);
  return outcome.ok
    ? json(outcome.value, 200, { etag: revisionTag(outcome.value.revision) })
    : outcomeReply(outcome);
});

export const PUT = heavyEndpoint('save-promotion', { permission: 'plan', most: PROMOTION_BYTES });

export const PATCH = heavyEndpoint('promotion-status', { permission: 'plan', most: 20 * KB });
