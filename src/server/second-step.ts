import { createHash } from 'node:crypto';
import type { APIContext } from 'astro';
import { and, eq, like, lt } from 'drizzle-orm';
import { renderSVG } from 'uqr';
import type { Person, SecondStepBegun, SecondStepView } from '../contracts/index.ts';
import { schema } from '../db/index.ts';
import { app } from './app.ts';
import { problem } from './http/problem.ts';
import { json } from './http/reply.ts';
import { fromAddress, withCookiesOf } from './http/sign-in-reply.ts';
import { withOwnPassword } from './own-password.ts';

/** Milliseconds in which a code may be right: it and its neighbours of half a minute each. */
const CODE_GOOD_FOR = 120_000;

/** What the package says of a code that does not let in. */
const OVER = ['INVALID_TWO_FACTOR_COOKIE', 'TOO_MANY_ATTEMPTS_REQUEST_NEW_CODE'];
const LOCKED = 'ACCOUNT_TEMPORARILY_LOCKED';

/** Whether a person's sign-in has a second step, and how many codes for a lost device they have left. */
export async function secondStepOf({ id }: Person): Promise<SecondStepView> {
  const { db, signIn } = app();
  const [found] = await db.select().from(schema.secondStep).where(eq(schema.secondStep.userId, id));
  if (!found?.verified) return { on: false, codesLeft: 0 };
  const { backupCodes } = await signIn.api.viewBackupCodes({ body: { userId: id } });
  return { on: true, codesLeft: backupCodes.length };
}

/** Makes the secret of a second step, for who knows their password; it counts once a code of it was given. */
export const beginSecondStep = (context: APIContext, person: Person, password: string): Promise<Response> =>
  withOwnPassword(context, person, {
    field: 'password',
    ask: (headers) => app().signIn.api.enableTwoFactor({ body: { password }, headers, asResponse: true }),
    async answer(reply) {
      const { totpURI, backupCodes } = (await reply.json()) as { totpURI: string; backupCodes: string[] };
      const begun: SecondStepBegun = {
        picture: renderSVG(totpURI, { border: 2 }),
        secret: new URL(totpURI).searchParams.get('secret') ?? '',
        codes: backupCodes,
      };
      return json(begun);
    },
  });

/** From here on the second step counts, for who has shown that their device makes the codes. */
export async function confirmSecondStep(
  context: APIContext,
  person: Person,
  code: string,
): Promise<Response> {
  const reply = await app().signIn.api.verifyTOTP({
    body: { code },
    headers: fromAddress(context.request.headers, context.locals.address),
    asResponse: true,
  });
  if (!reply.ok) return refusedCode((await codeOf(reply)) ?? '');
  await takeOnce(person.id, code);
  return withCookiesOf(reply);
}

/** A password alone lets them in again, for who knows it. */
export const endSecondStep = (context: APIContext, person: Person, password: string): Promise<Response> =>
  withOwnPassword(context, person, {
    field: 'password',
    ask: (headers) => app().signIn.api.disableTwoFactor({ body: { password }, headers, asResponse: true }),
    answer: withCookiesOf,
  });

/** The second step of a sign-in whose password was right: a code of the device, or one of those for a lost device. */
export async function passSecondStep(context: APIContext, typed: string): Promise<Response> {
  const { signIn, db } = app();
  // A code is asked of who is not in yet: whoever is would be taken for somebody who shows that their device works.
  if (context.locals.person) return json({ ok: true });
  const code = typed.replaceAll(/\s/g, '');
  const headers = fromAddress(context.request.headers, context.locals.address);
  const asked = { body: { code }, headers, asResponse: true as const };
  const isOfDevice = /^\d{6}$/.test(code);
  const reply = isOfDevice ? await signIn.api.verifyTOTP(asked) : await signIn.api.verifyBackupCode(asked);
  if (!reply.ok) return refusedCode((await codeOf(reply)) ?? '');
  const { token, user } = (await reply.clone().json()) as { token: string; user: { id: string } };
  if (!isOfDevice || (await takeOnce(user.id, code))) return withCookiesOf(reply);
  // Seen over a shoulder, and typed once more while it is good.
  await db.delete(schema.session).where(eq(schema.session.token, token));
  return refusedCode('USED');
}

const codeOf = async (reply: Response): Promise<string | undefined> =>
  ((await reply.json().catch(() => ({}))) as { code?: string }).code;

function refusedCode(code: string): Response {
  if (code === LOCKED)
    return problem(
      'too-many',
      429,
      'There were too many tries. Wait a quarter of an hour, then sign in again.',
    );
  if (OVER.includes(code))
    return problem(
      'not-known',
      401,
      'That took too long, or too many tries: begin with the password again.',
      {
        over: true,
      },
    );
  return problem(
    'not-known',
    401,
    'That code is not right any more, or was used: type the one that is shown now.',
  );
}

/** @returns whether this code lets in for the first time. */
async function takeOnce(person: string, code: string): Promise<boolean> {
  const { db } = app();
  const t = schema.verification;
  const id = createHash('sha256')
    .update(JSON.stringify(['code', person, code]))
    .digest('hex');
  const expiresAt = new Date(Date.now() + CODE_GOOD_FOR);
  return db.transaction(async (tx) => {
    await tx.delete(t).where(and(like(t.identifier, 'used-code-%'), lt(t.expiresAt, new Date())));
    const made = await tx
      .insert(t)
      .values({ id, identifier: `used-code-${id}`, value: person, expiresAt })
      .onConflictDoNothing()
      .returning({ id: t.id });
    return made.length > 0;
  });
}
