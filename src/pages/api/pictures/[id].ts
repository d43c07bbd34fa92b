import { endpoint, pictureReply } from '../../../server/index.ts';

/** A picture's bytes. */
export const GET = endpoint({ permission: 'see' }, ({ app, params }) => pictureReply(app, params.id!));
