import { beAtDesk, endpoint, leaveDesk, now, outcomeReply } from '../../../../server/index.ts';

/** Whoever writes has it open, and is told who else has. */
export const PUT = endpoint({ permission: 'plan' }, async ({ app, person, params }) =>
  outcomeReply(await beAtDesk(app, person, params.id!, new Date(now()))),
);

export const DELETE = endpoint({ permission: 'plan' }, async ({ app, person, params }) =>
  outcomeReply(await leaveDesk(app, person, params.id!)),
);
