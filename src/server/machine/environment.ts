import { resolve } from 'node:path';

/** What the process is told from outside, read once. */
export interface Environment {
  readonly databaseUrl: string;
  /** Signs session cookies. */
  readonly secret: string;
  readonly origin: string;
  /** Demo mode: the sign-in page lets one in as each demo person with one press. */
  readonly demo: boolean;
  /** Where the simulated tills show themselves; null where there are none. */
  readonly tillPage: string | null;
  /** The programs of the threads that answer heavy questions, read files and make price files. */
  readonly heavyWorker: string;
  readonly fileReader: string;
  readonly priceFileMaker: string;
  /** How many answer heavy questions; null: by the machine's cores. */
  readonly threads: number | null;
  /** What a program says that asks how the server does; null: it is told to this machine alone. */
  readonly metricsToken: string | null;
  /** Hours without a press after which somebody has to sign in anew. */
  readonly sessionHours: number;
  /** Whether this server does what is done by itself; one that is set apart for that answers no pages. */
  readonly jobs: boolean;
  /** Where the chain's own directory of people vouches for them; null: there is none. */
  readonly directory: DirectorySetting | null;
}

/** What a provider of OpenID Connect and we know of each other. */
export interface DirectorySetting {
  readonly issuer: string;
  readonly client: string;
  readonly secret: string;
  /** What people call it. */
  readonly name: string;
}

/** In hours. */
const TWO_WEEKS = 14 * 24;

export function readEnvironment(env: NodeJS.ProcessEnv): Environment {
  const databaseUrl = env.DATABASE_URL;
  const secret = env.BELLTAG_SECRET;
  if (!databaseUrl || !secret)
    throw new Error('DATABASE_URL and BELLTAG_SECRET must be set; "npm start" sets both.');
  return {
    databaseUrl,
    secret,
    origin: env.BELLTAG_ORIGIN ?? `http://127.0.0.1:${env.PORT ?? '4321'}`,
    demo: env.BELLTAG_DEMO === '1',
    tillPage: env.BELLTAG_TILL_PAGE ?? null,
    heavyWorker: resolve(env.BELLTAG_HEAVY_WORKER ?? 'dist/heavy-worker.mjs'),
    fileReader: resolve(env.BELLTAG_FILE_READER ?? 'dist/read-file-worker.mjs'),
    priceFileMaker: resolve(env.BELLTAG_PRICE_FILE_MAKER ?? 'dist/price-files-worker.mjs'),
    threads: Number(env.BELLTAG_THREADS) || null,
    metricsToken: env.BELLTAG_METRICS_TOKEN || null,
    sessionHours: Number(env.BELLTAG_SESSION_HOURS) || TWO_WEEKS,
    jobs: env.BELLTAG_JOBS !== '0',
    directory: readDirectory(env),
  };
}

function readDirectory(env: NodeJS.ProcessEnv): DirectorySetting | null {
  const { BELLTAG_OIDC_ISSUER: issuer, BELLTAG_OIDC_CLIENT: client, BELLTAG_OIDC_SECRET: secret } = env;
  if (!issuer && !client && !secret) return null;
  if (!issuer || !client || !secret)
    throw new Error(
      'BELLTAG_OIDC_ISSUER, BELLTAG_OIDC_CLIENT and BELLTAG_OIDC_SECRET are set together, or none is.',
    );
  const { protocol, hostname } = new URL(issuer);
  // What comes back says who somebody is: on the way it must be out of anybody's hands.
  if (protocol !== 'https:' && !['127.0.0.1', 'localhost'].includes(hostname))
    throw new Error(`BELLTAG_OIDC_ISSUER has to begin with https://, not ${protocol}//.`);
  return { issuer, client, secret, name: env.BELLTAG_OIDC_NAME || "your house's directory" };
}
