import { templateRequest } from '../../../contracts/index.ts';
import { endpoint, json, keepTemplate, listTemplates, outcomeReply } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  json(await listTemplates(app, person)),
);

export const POST = endpoint(
  { permission: 'plan', schema: templateRequest },
  async ({ app, person, input }) => outcomeReply(await keepTemplate(app, person, input), 201),
);
