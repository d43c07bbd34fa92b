import { terminalsRequest } from '../../../contracts/index.ts';
import { endpoint, json, now } from '../../../server/index.ts';

export const GET = endpoint(
  { permission: 'see', schema: terminalsRequest, from: 'query' },
  async ({ app, person, input }) =>
    json(await app.heavy.value(person.id, 'listTerminals', person, input, now())),
);
