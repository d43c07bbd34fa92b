import { app, guarded, withCookiesOf } from '../../server/index.ts';

/** Ends the session in the database and takes the cookie from the browser. */
export const POST = guarded(async ({ request: { headers } }) =>
  withCookiesOf(await app().signIn.api.signOut({ headers, asResponse: true })),
);
