import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { eq } from 'drizzle-orm';
import type { Person, Role } from '../contracts/index.ts';
import { type Database, schema } from '../db/index.ts';
import type { Environment } from './environment.ts';

/** Sign-in with e-mail and password; sessions in PostgreSQL. */
export function signInService(db: Database, environment: Environment) {
  return betterAuth({
    database: drizzleAdapter(db, {
      provider: 'pg',
      schema: {
        user: schema.person,
        session: schema.session,
        account: schema.account,
        verification: schema.verification,
      },
    }),
    secret: environment.secret,
    baseURL: environment.origin,
    trustedOrigins: [environment.origin],
    emailAndPassword: { enabled: true, disableSignUp: false, minPasswordLength: 8 },
    user: { additionalFields: { role: { type: 'string', input: false, defaultValue: 'viewer' } } },
    session: { expiresIn: 60 * 60 * 24 * 14 },
    advanced: { cookiePrefix: 'belltag', useSecureCookies: environment.origin.startsWith('https:') },
    telemetry: { enabled: false },
  });
}
export type SignIn = ReturnType<typeof signInService>;

/** The person behind a request's cookies; null where nobody is signed in. */
export async function personOf(signIn: SignIn, db: Database, headers: Headers): Promise<Person | null> {
  const found = await signIn.api.getSession({ headers });
  if (!found) return null;
  const { id, name, email } = found.user;
  const role = (found.user as { role?: string }).role as Role;
  if (role !== 'store') return { id, name, email, role, stores: null };
  const rows = await db
    .select({ store: schema.personStore.store })
    .from(schema.personStore)
    .where(eq(schema.personStore.person, id));
  return { id, name, email, role, stores: rows.map(({ store }) => store) };
}
