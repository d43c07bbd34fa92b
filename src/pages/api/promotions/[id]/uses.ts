import { endpoint, json, now, problem } from '../../../../server/index.ts';

/** How often it was used at all tills together, of how often it may be. */
export const GET = endpoint({ permission: 'see' }, async ({ app, person, params }) => {
  const uses = await app.heavy.value(person.id, 'lookAtUses', person, params.id!, now());
  return uses ? json(uses) : problem('not-found', 404, `There is no promotion “${params.id}”.`);
});
