import type { APIContext } from 'astro';
import { betterAuth } from 'better-auth';
import { genericOAuth } from 'better-auth/plugins';
import type { DirectoryRefusal } from '../contracts/index.ts';
import type { Database } from '../db/index.ts';
import { problem } from './http/problem.ts';
import { RETRY_AFTER } from './http/reply.ts';
import { fromAddress, withCookiesOf } from './http/sign-in-reply.ts';
import type { DirectorySetting, Environment } from './machine/environment.ts';
import { log } from './machine/log.ts';
import { personOf, type SignIn, signInOptions } from './sign-in.ts';

/**
 * Sign-in by the chain's own directory of people, a provider of OpenID Connect: authorization code with PKCE, the answer
 * bound to the browser that asked, signed by the provider and meant for us. It lets in whom somebody here has invited,
 * found by the address that the directory has confirmed, and from then on by what the directory calls them.
 * Source: OpenID Connect Core 1.0, sections 3.1 and 3.1.3.7; RFC 7636.
 */
export interface Directory {
  readonly name: string;
  /** Answers with the address of the directory to go to. @param next path of ours to come to in the end. */
  begin(context: APIContext, next: string): Promise<Response>;
  /** Lets in who comes back from it, or sends them to the sign-in page, which says why not. */
  comeBack(context: APIContext): Promise<Response>;
}

const ID = 'directory';
/** Milliseconds. */
const PATIENCE = 10_000;

/** What the package says, and the directory by the standard. */
const REASONS: Readonly<Record<string, DirectoryRefusal>> = {
  access_denied: 'said-no',
  signup_disabled: 'not-invited',
  account_not_linked: 'not-confirmed',
  email_not_found: 'not-confirmed',
  state_mismatch: 'too-late',
  state_not_found: 'too-late',
  state_security_mismatch: 'too-late',
  state_invalid: 'too-late',
  please_restart_the_process: 'too-late',
};

export function directoryOf(db: Database, environment: Environment, signIn: SignIn): Directory | null {
  const { directory } = environment;
  if (!directory) return null;
  // Apart from the sign-in by password, which must not wait for a directory that is silent.
  let service: ReturnType<typeof serviceOf> | undefined;
  const ask = async <T>(
    what: (api: ReturnType<typeof serviceOf>['api']) => Promise<T>,
  ): Promise<T | null> => {
    service ??= serviceOf(db, environment, directory);
    const answered = await inTime(what(service.api));
    // What never came to know its directory asks for it anew.
    if (answered === null) service = undefined;
    return answered;
  };

  return {
    name: directory.name,
    async begin({ request, locals }, next) {
      const reply = await ask((api) =>
        api.signInSocial({
          body: { provider: ID, callbackURL: next, errorCallbackURL: '/sign-in', disableRedirect: true },
          headers: fromAddress(request.headers, locals.address),
          asResponse: true,
        }),
      );
      const { url } = reply?.ok ? ((await reply.clone().json()) as { url?: string }) : {};
      if (reply && url) return withCookiesOf(reply, { url });
      service = undefined;
      return problem(
        'away',
        503,
        `${sentence(directory.name)} does not answer just now. Try again, or sign in with your password.`,
        {},
        { 'retry-after': RETRY_AFTER },
      );
    },
    async comeBack({ request, locals, url }) {
      const reply = await ask((api) =>
        api.callbackOAuth({
          params: { id: ID },
          query: Object.fromEntries(url.searchParams),
          headers: fromAddress(request.headers, locals.address),
          asResponse: true,
        }),
      );
      const goes = reply && new URL(reply.headers.get('location') ?? '/sign-in', environment.origin);
      if (!reply || !goes || goes.searchParams.has('error') || goes.pathname === '/sign-in')
        return refused(reply, goes?.searchParams.get('error') ?? null);
      const cookies = new Headers({ cookie: cookiesOf(reply) });
      if (!(await personOf(signIn, db, cookies, environment))) {
        await signIn.api.signOut({ headers: cookies, asResponse: true });
        return refused(null, null, 'not-let-in');
      }
      // Only one at a time: a session that the browser had before is ended.
      if (locals.session) await signIn.api.signOut({ headers: request.headers, asResponse: true });
      return goOn(goes.pathname + goes.search + goes.hash, reply);
    },
  };
}

function serviceOf(db: Database, environment: Environment, { issuer, client, secret }: DirectorySetting) {
  const known = issuer.replace(/\/$/, '');
  return betterAuth({
    ...signInOptions(db, environment),
    account: {
      // Nothing is kept for a sign-in that nobody finishes.
      storeStateStrategy: 'cookie',
      updateAccountOnSignIn: false,
      // Who is invited has shown their address to the directory, not to us.
      accountLinking: { enabled: true, requireLocalEmailVerified: false },
    },
    databaseHooks: {
      session: {
        create: { before: async (session) => ({ data: { ...session, byDirectory: true } }) },
      },
      account: {
        // We ask the directory for nothing later: what it hands out for that is not kept.
        create: {
          before: async (account) => ({
            data: { ...account, accessToken: null, refreshToken: null, idToken: null },
          }),
        },
      },
    },
    plugins: [
      genericOAuth({
        config: [
          {
            providerId: ID,
            clientId: client,
            clientSecret: secret,
            discoveryUrl: `${known}/.well-known/openid-configuration`,
            requireIdTokenVerification: true,
            scopes: ['openid', 'email', 'profile'],
            pkce: true,
            disableSignUp: true,
            redirectURI: `${environment.origin}/api/directory/back`,
          },
        ],
      }),
    ],
  });
}

/** Null where it did not come in time, or failed on the way. */
async function inTime<T>(work: Promise<T>): Promise<T | null> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<null>((resolve) => {
    timer = setTimeout(resolve, PATIENCE, null);
  });
  return Promise.race([work, late])
    .catch((error: unknown) => {
      log.warn({ err: error }, 'the directory of people could not be asked');
      return null;
    })
    .finally(() => clearTimeout(timer));
}

function refused(reply: Response | null, error: string | null, why?: DirectoryRefusal): Response {
  const reason = why ?? REASONS[error ?? ''] ?? 'no-answer';
  log.info({ error, reason }, 'the directory let nobody in');
  return goOn(`/sign-in?directory=${reason}`, reply);
}

function goOn(path: string, reply: Response | null): Response {
  const answer = new Response(null, {
    status: 303,
    headers: { location: path, 'cache-control': 'no-store' },
  });
  for (const cookie of reply?.headers.getSetCookie() ?? []) answer.headers.append('set-cookie', cookie);
  return answer;
}

const cookiesOf = (reply: Response): string =>
  reply.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');

const sentence = (words: string): string => words[0]!.toUpperCase() + words.slice(1);
