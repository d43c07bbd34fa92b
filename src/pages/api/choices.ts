import { endpoint, json } from '../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  json(await app.heavy.value(person.id, 'listChoices', person)),
);
