import { endpoint, heavyEndpoint, json, listTemplates, PROMOTION_BYTES } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  json(await listTemplates(app, person)),
);

export const POST = heavyEndpoint('keep-template', { permission: 'plan', most: PROMOTION_BYTES });
