import { endpoint, pictureReply } from '../../../server/index.ts';

/** A picture's bytes. */
export const GET = endpoint({ permission: 'see' }, ({ app, context }) =>
  pictureReply(app, context.params.id!),
);
