import { endpoint, heavyEndpoint, json, PROMOTION_BYTES } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  json(await app.heavy.value(person.id, 'listTemplates', person)),
);

export const POST = heavyEndpoint('keep-template', { permission: 'plan', most: PROMOTION_BYTES });
