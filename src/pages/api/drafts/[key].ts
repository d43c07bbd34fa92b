import { endpoint, heavyEndpoint, json, PROMOTION_BYTES } from '../../../server/index.ts';

/** Keeps what is being written; it may lack anything that a promotion needs. */
export const PUT = heavyEndpoint('keep-draft', { permission: 'plan', most: PROMOTION_BYTES });

export const DELETE = endpoint({ permission: 'plan' }, async ({ app, person, params }) => {
  await app.drafts.drop(person.id, params.key!);
  return json({ ok: true });
});
