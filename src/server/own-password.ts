import type { APIContext } from 'astro';
import type { Person } from '../contracts/index.ts';
import { app } from './app.ts';
import { waitReply } from './enter.ts';
import { failureReply } from './http/reply.ts';
import { fromAddress } from './http/sign-in-reply.ts';

interface WithPassword {
  /** Of the request: where the password stands. */
  readonly field: string;
  /** Asks the sign-in package, with the headers of who asks. */
  readonly ask: (headers: Headers) => Promise<Response>;
  /** Where the password was right. */
  readonly answer: (reply: Response) => Response | Promise<Response>;
}

/**
 * What somebody who is signed in may do only where they know their password. Tries are counted as those of the sign-in
 * are: who sits down at an open desk guesses no password.
 */
export async function withOwnPassword(
  context: APIContext,
  { email }: Person,
  { field, ask, answer }: WithPassword,
): Promise<Response> {
  const { tries } = app();
  const { address } = context.locals;
  const wait = await tries.begin(email, address, Date.now());
  if (wait > 0) return waitReply(wait);
  const reply = await ask(fromAddress(context.request.headers, address));
  // Where the package itself failed nothing is known of the password.
  if (reply.status >= 500) return failureReply({ kind: 'away', what: 'database' });
  if (!reply.ok)
    return failureReply({
      kind: 'invalid',
      faults: [{ path: [field], what: 'that is not your password', wanted: 'the one by which you sign in' }],
    });
  await tries.succeeded(email, address);
  return answer(reply);
}
