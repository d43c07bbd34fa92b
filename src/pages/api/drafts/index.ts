import { endpoint, json } from '../../../server/index.ts';

/** What the person was writing and has not saved, newest first. */
export const GET = endpoint({ permission: 'plan' }, async ({ app, person }) =>
  json(await app.drafts.all(person.id)),
);
