import { app, failureReply, guarded } from '../../../server/index.ts';

/** Whoever comes back from the chain's own directory of people. */
export const GET = guarded(async (context) => {
  const { directory } = app();
  return directory
    ? directory.comeBack(context)
    : failureReply({ kind: 'not-found', what: 'a directory of people' });
});
