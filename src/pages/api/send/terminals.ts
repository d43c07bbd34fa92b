import { endpoint, json, listTerminals, now } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  json(await listTerminals(app, person, now())),
);
