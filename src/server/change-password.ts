import type { APIContext } from 'astro';
import type { NewPasswordRequest, Person } from '../contracts/index.ts';
import { app } from './app.ts';
import { fromAddress, waitReply, withCookiesOf } from './enter.ts';
import { failureReply } from './http/reply.ts';

/**
 * Sets another password for somebody who is signed in and knows the one that holds, and signs them out everywhere else.
 * Tries are counted as those of the sign-in are: who sits down at an open desk guesses no password.
 */
export async function changePassword(
  context: APIContext,
  { email }: Person,
  { current, password }: NewPasswordRequest,
): Promise<Response> {
  const { signIn, tries } = app();
  const { address } = context.locals;
  const wait = await tries.begin(email, address, Date.now());
  if (wait > 0) return waitReply(wait);
  const reply = await signIn.api.changePassword({
    body: { currentPassword: current, newPassword: password, revokeOtherSessions: true },
    headers: fromAddress(context.request.headers, address),
    asResponse: true,
  });
  // Where the package itself failed nothing is known of the password.
  if (reply.status >= 500) return failureReply({ kind: 'away', what: 'database' });
  if (!reply.ok)
    return failureReply({
      kind: 'invalid',
      faults: [
        { path: ['current'], what: 'that is not your password', wanted: 'the one by which you sign in' },
      ],
    });
  await tries.succeeded(email, address);
  return withCookiesOf(reply);
}
