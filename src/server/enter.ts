import { randomUUID } from 'node:crypto';
import type { APIContext } from 'astro';
import { eq } from 'drizzle-orm';
import { schema } from '../db/index.ts';
import { app } from './app.ts';
import { problem } from './http/problem.ts';
import { RETRY_AFTER } from './http/reply.ts';
import { fromAddress, withCookiesOf } from './http/sign-in-reply.ts';
import { isDemoChain } from './sign-in.ts';

/**
 * Signs somebody in with a password. Tries are counted by account and by address; unknown names are answered as wrong
 * passwords are, after the same work. A session that the browser had before is ended. Where the answer says `second`
 * they are not in yet: a code is to be given first.
 */
export async function enter(context: APIContext, email: string, password: string): Promise<Response> {
  const { signIn, tries } = app();
  const { headers } = context.request;
  const { address } = context.locals;
  const wait = await tries.begin(email, address, Date.now());
  if (wait > 0) return waitReply(wait);
  // A made-up person outside the demo, and one who is let in no more, is answered as a wrong password is, after the same work.
  const tried = (await isBarred(email)) ? randomUUID() : password;
  const reply = await signIn.api.signInEmail({
    body: { email, password: tried },
    headers: fromAddress(headers, address),
    asResponse: true,
  });
  if (reply.status >= 500)
    return problem(
      'away',
      503,
      'Signing in did not work just now. Try again.',
      {},
      { 'retry-after': RETRY_AFTER },
    );
  if (!reply.ok) return problem('not-known', 401, 'The e-mail address or the password is not right.');
  await tries.succeeded(email, address);
  if (headers.has('cookie')) await signIn.api.signOut({ headers, asResponse: true }).catch(() => undefined);
  const { twoFactorRedirect } = (await reply.clone().json()) as { twoFactorRedirect?: boolean };
  return withCookiesOf(reply, { second: twoFactorRedirect === true });
}

/** @param wait milliseconds. */
export function waitReply(wait: number): Response {
  const seconds = Math.ceil(wait / 1000);
  return problem(
    'too-many',
    429,
    `There were too many tries. Wait ${waitWords(seconds)}, then try again.`,
    {},
    { 'retry-after': String(seconds) },
  );
}

async function isBarred(email: string): Promise<boolean> {
  const { db, environment } = app();
  const [found] = await db
    .select({ demo: schema.person.demo, machine: schema.person.machine, endedAt: schema.person.endedAt })
    .from(schema.person)
    .where(eq(schema.person.email, email.toLowerCase()));
  if (found?.endedAt || found?.machine) return true;
  return found?.demo === true && !(environment.demo && (await isDemoChain(db)));
}

const waitWords = (seconds: number): string =>
  seconds < 60 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`;
