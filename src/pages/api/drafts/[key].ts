import { keepDraftRequest } from '../../../contracts/index.ts';
import { endpoint, json } from '../../../server/index.ts';

/** Keeps what is being written; it may lack anything that a promotion needs. */
export const PUT = endpoint(
  { permission: 'plan', schema: keepDraftRequest },
  async ({ app, person, input, context }) => {
    await app.drafts.keep(person.id, context.params.key!, input.draft, input.revision ?? null);
    return json({ ok: true });
  },
);

export const DELETE = endpoint({ permission: 'plan' }, async ({ app, person, context }) => {
  await app.drafts.drop(person.id, context.params.key!);
  return json({ ok: true });
});
