import { basketCheckRequest } from '../../../contracts/index.ts';
import { endpoint, json, now, outcomeReply } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  json(await app.heavy.run('runBasketChecks', person, now())),
);

export const POST = endpoint(
  { permission: 'plan', schema: basketCheckRequest },
  async ({ app, person, input }) =>
    outcomeReply(await app.heavy.run('keepBasketCheck', person, input, now()), 201),
);
