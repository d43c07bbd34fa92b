import { endpoint, json, listChoices } from '../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  json(await listChoices(app, person)),
);
