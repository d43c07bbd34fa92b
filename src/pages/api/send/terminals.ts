import { sees } from '../../../contracts/index.ts';
import { endpoint, json } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) => {
  const terminals = (await app.sending.terminals()).filter(({ store }) => sees(person, store));
  return json({ terminals, rollouts: await app.sending.rollouts() });
});
