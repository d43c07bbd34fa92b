/** Why the database refused a change: its own reasons, in ours. */
export type Refusal = 'still-used' | 'exists' | 'impossible' | 'unknown-reference' | 'unfit';

const BY_CODE: Readonly<Record<string, Refusal>> = {
  '23505': 'exists',
  '23514': 'impossible',
  '23502': 'impossible',
};

/** The refusal behind an error of the driver, with the constraint's name; null where it is another failure. */
export function refusalOf(error: unknown): { refusal: Refusal; constraint: string } | null {
  const cause = causeOf(error);
  if (typeof cause.code !== 'string') return null;
  const constraint = cause.constraint ?? '';
  if (cause.code === '23503') {
    return {
      refusal: cause.detail?.includes('still referenced') ? 'still-used' : 'unknown-reference',
      constraint,
    };
  }
  // Class 22: a number out of its column's range, a text with a character that PostgreSQL cannot keep.
  const refusal = BY_CODE[cause.code] ?? (cause.code.startsWith('22') ? 'unfit' : undefined);
  return refusal ? { refusal, constraint } : null;
}

interface DriverError {
  readonly code?: string;
  readonly constraint?: string;
  readonly detail?: string;
  readonly message?: string;
  readonly cause?: unknown;
}

/** Drizzle wraps what the driver throws. */
const causeOf = (error: unknown): DriverError =>
  ((error as { cause?: unknown } | null)?.cause ?? error ?? {}) as DriverError;

/** A database that did not answer, told by a thread of ours to another. */
export class DatabaseAway extends Error {}

/** Sockets that break or never come about. */
const SOCKET_CODES = [
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'EHOSTUNREACH',
  'EAI_AGAIN',
];
/**
 * A server that shuts down, starts, or has no connection left; a database that is not there, or has no tables yet,
 * as it is while a backup is played back.
 */
const AWAY_CODES = ['57P01', '57P02', '57P03', '53300', '3D000', '42P01', '55006'];
const AWAY_WORDS =
  /connection terminated|connect(ion)? timeout|timeout exceeded when trying to connect|not queryable|ended unexpectedly/i;

/**
 * Whether an error says that the database cannot be asked just now, and may be asked again later; however deep packages
 * have wrapped that.
 */
export function isDatabaseAway(error: unknown): boolean {
  for (let one = error as DriverError | null | undefined, deep = 0; one && deep < DEEPEST; deep++) {
    if (saysAway(one)) return true;
    one = one.cause as DriverError | undefined;
  }
  return false;
}

/** No package wraps what it caught more often. */
const DEEPEST = 8;

function saysAway(error: DriverError): boolean {
  if (error instanceof DatabaseAway) return true;
  const { code, message } = error;
  const says =
    typeof code === 'string' &&
    (SOCKET_CODES.includes(code) || AWAY_CODES.includes(code) || code.startsWith('08'));
  return says || AWAY_WORDS.test(message ?? '');
}
