import { endpoint, keepPicture, outcomeReply } from '../../../server/index.ts';

/** Keeps a picture: its bytes are the body. */
export const POST = endpoint({ permission: 'plan' }, async ({ app, person, context }) =>
  outcomeReply(await keepPicture(app, person, new Uint8Array(await context.request.arrayBuffer())), 201),
);
