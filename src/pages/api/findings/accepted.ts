import { acceptFindingRequest, whichFindingRequest } from '../../../contracts/index.ts';
import { acceptFinding, endpoint, outcomeReply, takeBackFinding } from '../../../server/index.ts';

export const POST = endpoint(
  { permission: 'plan', schema: acceptFindingRequest },
  async ({ app, person, input }) => outcomeReply(await acceptFinding(app, person, input)),
);

export const DELETE = endpoint(
  { permission: 'plan', schema: whichFindingRequest },
  async ({ app, person, input }) => outcomeReply(await takeBackFinding(app, person, input)),
);
