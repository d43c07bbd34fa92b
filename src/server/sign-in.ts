import { type BetterAuthOptions, betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { hashPassword, verifyPassword } from 'better-auth/crypto';
import { twoFactor } from 'better-auth/plugins';
import { eq, sql } from 'drizzle-orm';
import pLimit from 'p-limit';
import {
  PASSWORD_LENGTH,
  type Person,
  type Role,
  readerLanguage,
  secondStepFrom,
} from '../contracts/index.ts';
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
  return betterAuth({
    ...signInOptions(db, environment),
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
    plugins: [twoFactor({ issuer: 'Bell Tag' })],
  });
}
export type SignIn = ReturnType<typeof signInService>;

/** People, and the sessions by which they are in, however they came in. */
export function signInOptions(db: Database, environment: Environment) {
  const sessionTime = (environment.sessionHours * DAY) / 24;
  return {
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
    session: {
      additionalFields: { byDirectory: { type: 'boolean', input: false, defaultValue: false } },
      expiresIn: sessionTime,
      updateAge: Math.min(DAY / 24, sessionTime / 4),
    },
    advanced: { cookiePrefix: 'belltag', useSecureCookies: environment.origin.startsWith('https:') },
    telemetry: { enabled: false },
    // Its own words go through our log, without what it was given.
    logger: { level: 'error', log: (_, message) => log.warn({ what: 'sign-in' }, plain(message)) },
  } satisfies BetterAuthOptions;
}

const plain = (message: string): string => message.split('\n')[0]!.slice(0, 200);

interface PersonColumns {
  readonly role: Role;
  readonly seesCosts: boolean;
  readonly demo: boolean;
  readonly machine: boolean;
  readonly endedAt: Date | null;
  readonly twoFactorEnabled: boolean;
}

/** Somebody who is signed in, and the session by which they are. */
export interface SignedIn {
  readonly person: Person;
  readonly session: string;
  /** From which day on they must have a second step, and have none; null: nothing is asked of them. */
  readonly owesSecondStep: string | null;
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
  const { role, seesCosts, demo, machine, endedAt, twoFactorEnabled } = rest as unknown as PersonColumns;
  // Nobody signs in as a program, however a password of it came to be.
  if (endedAt || machine) return null;
  const { id: session, byDirectory } = found.session as { id: string; byDirectory?: boolean };
  const { demand, goods, demoChain } = await saidOf(db, id);
  if (demo && !(environment.demo && demoChain)) return null;
  // Whom the directory vouches for it asks as it sees fit.
  const owesSecondStep = twoFactorEnabled || byDirectory ? null : secondStepFrom(demand, role);
  const language = readerLanguage(headers.get('accept-language'));
  const person = { id, name, email, role, costs: seesCosts, language, ...(goods ? { goods } : {}) };
  if (role !== 'store') return { person: { ...person, stores: null }, session, owesSecondStep };
  const rows = await db
    .select({ store: schema.personStore.store })
    .from(schema.personStore)
    .where(eq(schema.personStore.person, id));
  return { person: { ...person, stores: rows.map(({ store }) => store) }, session, owesSecondStep };
}

/** What the sign-in package does not know, in one question: what the chain is and asks, and to which goods somebody is kept. */
async function saidOf(db: Database, id: string) {
  const [row] = await db
    .select({
      demand: schema.chain.secondStep,
      goods: schema.person.goods,
      demoChain: schema.chain.demo,
    })
    .from(schema.person)
    .leftJoin(schema.chain, sql`true`)
    .where(eq(schema.person.id, id));
  return row ?? { demand: null, goods: null, demoChain: false };
}

/** Whether this database was filled with the made-up chain. */
export async function isDemoChain(db: Database): Promise<boolean> {
  const [row] = await db.select({ demo: schema.chain.demo }).from(schema.chain);
  return row?.demo ?? false;
}
