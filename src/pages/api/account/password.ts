import { newPasswordRequest } from '../../../contracts/index.ts';
import { changePassword, endpoint } from '../../../server/index.ts';

/** Sets another password of one's own. */
export const POST = endpoint(
  { permission: 'see', own: true, schema: newPasswordRequest },
  ({ person, input, context }) => changePassword(context, person, input),
);
