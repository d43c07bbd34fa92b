import { codeRequest, ownPasswordRequest } from '../../../contracts/index.ts';
import {
  beginSecondStep,
  confirmSecondStep,
  endpoint,
  endSecondStep,
  json,
  secondStepOf,
} from '../../../server/index.ts';

/** Whether one's own sign-in has a second step. */
export const GET = endpoint({ permission: 'see', own: true }, async ({ person }) =>
  json(await secondStepOf(person)),
);

/** Makes what a device is told, for who knows their password. */
export const POST = endpoint(
  { permission: 'see', own: true, schema: ownPasswordRequest },
  ({ person, input, context }) => beginSecondStep(context, person, input.password),
);

/** From the first right code of the device on it counts. */
export const PUT = endpoint(
  { permission: 'see', own: true, schema: codeRequest },
  ({ person, input, context }) => confirmSecondStep(context, person, input.code),
);

/** A password alone is enough again. */
export const DELETE = endpoint(
  { permission: 'see', own: true, schema: ownPasswordRequest },
  ({ person, input, context }) => endSecondStep(context, person, input.password),
);
