import type { APIContext } from 'astro';
import type { NewPasswordRequest, Person } from '../contracts/index.ts';
import { app } from './app.ts';
import { withCookiesOf } from './http/sign-in-reply.ts';
import { withOwnPassword } from './own-password.ts';

/** Sets another password for somebody who is signed in and knows the one that holds, and signs them out everywhere else. */
export const changePassword = (
  context: APIContext,
  person: Person,
  { current, password }: NewPasswordRequest,
): Promise<Response> =>
  withOwnPassword(context, person, {
    field: 'current',
    ask: (headers) =>
      app().signIn.api.changePassword({
        body: { currentPassword: current, newPassword: password, revokeOtherSessions: true },
        headers,
        asResponse: true,
      }),
    answer: withCookiesOf,
  });
