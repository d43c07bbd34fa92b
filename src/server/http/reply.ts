import type { Failure, Outcome } from '../../contracts/index.ts';
import { jsonPointer } from '../../core/plan/index.ts';
import { conflictWords } from './conflict-words.ts';
import { problem } from './problem.ts';

/**
 * A failure as a reply. A refusal of fields is 422 with a list of `{path, message}`.
 * @param precondition whether what was opened was named by If-Match (RFC 9110 13.1.1).
 */
export function failureReply(failure: Failure, { precondition = false } = {}): Response {
  switch (failure.kind) {
    case 'invalid':
      return problem('invalid', 422, 'Nothing was saved.', { faults: faultsOf(failure) });
    case 'unreadable':
      return problem('unreadable', 400, `What was sent is no ${failure.wanted}. Nothing was saved.`);
    case 'wrong-type':
      return problem(
        'wrong-type',
        415,
        `Only ${failure.wanted} is taken here. Nothing was saved.`,
        {},
        { accept: failure.wanted },
      );
    case 'forbidden':
      return problem('forbidden', 403, 'Your role does not allow this.');
    case 'not-found':
      return problem('not-found', 404, `There is no ${failure.what}.`);
    case 'too-large':
      return problem(
        'too-large',
        413,
        `That is too large: at most ${size(failure.most)} are taken here. Nothing was saved.`,
        {},
        // What still comes is not waited for.
        { connection: 'close' },
      );
    case 'too-much':
      return problem(
        'too-much',
        failure.why === 'person-full' ? 429 : 503,
        TOO_MUCH[failure.why],
        {},
        { 'retry-after': RETRY_AFTER },
      );
    case 'slowed': {
      const seconds = Math.ceil(failure.wait / 1000);
      return problem(
        'too-many',
        429,
        `Too many codes were tried that are none. The next one is looked at in ${seconds} ${seconds === 1 ? 'second' : 'seconds'}.`,
        {},
        { 'retry-after': String(seconds) },
      );
    }
    case 'away':
      return problem('away', 503, AWAY[failure.what], { away: failure.what }, { 'retry-after': RETRY_AFTER });
    case 'conflict':
      return problem(
        'conflict',
        precondition || failure.code === 'plan-changed' ? 412 : 409,
        conflictWords(failure),
        'current' in failure ? { current: failure.current } : {},
      );
  }
}

export const outcomeReply = <T>(outcome: Outcome<T>, status = 200): Response =>
  outcome.ok ? json(outcome.value, status) : failureReply(outcome.failure);

/** The answer to a question, which would have saved nothing anyway. */
export function answerReply<T>(outcome: Outcome<T>, status = 200): Response {
  if (outcome.ok || outcome.failure.kind !== 'invalid') return outcomeReply(outcome, status);
  return problem('invalid', 422, 'This cannot be worked out as it stands.', {
    faults: faultsOf(outcome.failure),
  });
}

const faultsOf = ({ faults }: Extract<Failure, { kind: 'invalid' }>) =>
  faults.map(({ path, what, wanted }) => ({
    path: jsonPointer(path),
    message: `${what}; wanted: ${wanted}`,
  }));

export function json(value: unknown, status = 200, headers: Record<string, string> = {}): Response {
  return new Response(JSON.stringify(value), {
    status,
    headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store', ...headers },
  });
}

/** Seconds after which it is worth asking again. */
export const RETRY_AFTER = '2';

const TOO_MUCH = {
  full: 'Too much is being worked out just now. Nothing was saved; ask again in a few seconds.',
  'person-full':
    'Many of your questions are still being worked out. Nothing was saved; ask again when some are answered.',
  'took-too-long': 'This took too long and was stopped. Nothing was saved; ask for less at once.',
  died: 'This took more memory than there is and was stopped. Nothing was saved; ask for less at once.',
} as const;

export const AWAY = {
  database:
    'The database does not answer just now. Nothing was saved; Bell Tag waits for it and goes on by itself.',
  chain: 'This database holds no chain yet: there is nothing to look at, and nobody to sign in.',
} as const;

const size = (bytes: number): string =>
  bytes >= 1_000_000 ? `${Math.round(bytes / 1_000_000)} MB` : `${Math.round(bytes / 1000)} kB`;
