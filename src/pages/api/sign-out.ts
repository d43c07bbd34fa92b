import { app, guarded } from '../../server/index.ts';
import { signedIn } from './sign-in.ts';

export const POST = guarded(async (context) => {
  const { signIn } = await app();
  return signedIn(await signIn.api.signOut({ headers: context.request.headers, asResponse: true }));
});
