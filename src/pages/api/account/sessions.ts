import { endSessionsRequest } from '../../../contracts/index.ts';
import { endpoint, endSessions, json, listSessions, outcomeReply } from '../../../server/index.ts';

/** Where the person who asks is signed in. */
export const GET = endpoint({ permission: 'see', own: true }, async ({ app, person, context }) =>
  json(await listSessions(app, person, context.locals.session ?? '', new Date())),
);

/** Signs them out at one place, or everywhere but here. */
export const DELETE = endpoint(
  { permission: 'see', own: true, schema: endSessionsRequest },
  async ({ app, person, input, context }) =>
    outcomeReply(await endSessions(app, person, input, context.locals.session ?? '', new Date())),
);
