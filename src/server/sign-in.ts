import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { hashPassword, verifyPassword } from 'better-auth/crypto';
import { twoFactor } from 'better-auth/plugins';
import { eq } from 'drizzle-orm';
import pLimit from 'p-limit';
import { PASSWORD_LENGTH, type Person, type Role, readerLanguage } from '../contracts/index.ts';
import { type Database, letterRepository, schema } from '../db/index.ts';
import type { Environment } from './machine/environment.ts';
import { log } from './machine/log.ts';
import { passwordLetter } from './password-letter.ts';

/** To hash a password takes a core for some 60 ms: those who are at work wait for no row of sign-ins. */
const oneByOne = pLimit(1);

/** In seconds. */
const DAY = 24 * 60 * 60;
/** Links in letters are good for so long. */
const LINK_GOOD_FOR = 3 * DAY;

/** Sign-in with e-mail and password; sessions in PostgreSQL. @param letters where links go out by which a password is set. */
export function signInService(db: Database, environment: Environment, letters = letterRepository(db)) {
  const sessionTime = (environment.sessionHours * DAY) / 24;
  return betterAuth({
    database: drizzleAdapter(db, {
      provider: 'pg',
      schema: {
        user: schema.person,
        session: schema.session,
        account: schema.account,
        verification: schema.verification,
        twoFactor: schema.secondStep,
      },
    }),
    secret: environment.secret,
    baseURL: environment.origin,
    trustedOrigins: [environment.origin],
    emailAndPassword: {
      enabled: true,
      disableSignUp: false,
      minPasswordLength: PASSWORD_LENGTH.least,
      maxPasswordLength: PASSWORD_LENGTH.most,
      resetPasswordTokenExpiresIn: LINK_GOOD_FOR,
      revokeSessionsOnPasswordReset: true,
      sendResetPassword: ({ user, token }) =>
        letters.put(passwordLetter(user, `${environment.origin}/password?token=${token}`)),
      password: {
        hash: (password) => oneByOne(hashPassword, password),
        verify: (both) => oneByOne(verifyPassword, both),
      },
    },
    user: {
      additionalFields: {
        role: { type: 'string', input: false, defaultValue: 'viewer' },
        seesCosts: { type: 'boolean', input: false, defaultValue: true },
        demo: { type: 'boolean', input: false, defaultValue: false },
        machine: { type: 'boolean', input: false, defaultValue: false },
        endedAt: { type: 'date', input: false, required: false },
      },
    },
    // What was used a quarter of that ago is noted anew: a press in time keeps it.
    session: { expiresIn: sessionTime, updateAge: Math.min(DAY / 24, sessionTime / 4) },
    advanced: { cookiePrefix: 'belltag', useSecureCookies: environment.origin.startsWith('https:') },
    plugins: [twoFactor({ issuer: 'Bell Tag' })],
    telemetry: { enabled: false },
    // Its own words go through our log, without what it was given.
    logger: { level: 'error', log: (_, message) => log.warn({ what: 'sign-in' }, plain(message)) },
  });
}
export type SignIn = ReturnType<typeof signInService>;

const plain = (message: string): string => message.split('\n')[0]!.slice(0, 200);

interface PersonColumns {
  readonly role: Role;
  readonly seesCosts: boolean;
  readonly demo: boolean;
  readonly machine: boolean;
  readonly endedAt: Date | null;
}

/** Somebody who is signed in, and the session by which they are. */
export interface SignedIn {
  readonly person: Person;
  readonly session: string;
}

/** Who is behind a request's cookies; null where nobody is signed in, or nobody who may be here. */
export async function personOf(
  signIn: SignIn,
  db: Database,
  headers: Headers,
  environment: Pick<Environment, 'demo'>,
): Promise<SignedIn | null> {
  if (!headers.has('cookie')) return null;
  const found = await signIn.api.getSession({ headers });
  if (!found) return null;
  const { id, name, email, ...rest } = found.user;
  const { role, seesCosts, demo, machine, endedAt } = rest as unknown as PersonColumns;
  // Nobody signs in as a program, however a password of it came to be.
  if (endedAt || machine) return null;
  if (demo && !(environment.demo && (await isDemoChain(db)))) return null;
  const language = readerLanguage(headers.get('accept-language'));
  const person = { id, name, email, role, costs: seesCosts, language };
  const session = found.session.id;
  if (role !== 'store') return { person: { ...person, stores: null }, session };
  const rows = await db
    .select({ store: schema.personStore.store })
    .from(schema.personStore)
    .where(eq(schema.personStore.person, id));
  return { person: { ...person, stores: rows.map(({ store }) => store) }, session };
}

/** Whether this database was filled with the made-up chain. */
export async function isDemoChain(db: Database): Promise<boolean> {
  const [row] = await db.select({ demo: schema.chain.demo }).from(schema.chain);
  return row?.demo ?? false;
}
