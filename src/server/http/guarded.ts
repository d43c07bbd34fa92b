import { isDatabaseAway, refusalOf } from '../../db/index.ts';
import { log } from '../machine/log.ts';
import { NoChain } from '../standing/live-plan-book.ts';
import { NotAnswered } from './not-answered.ts';
import { problem } from './problem.ts';
import { failureReply } from './reply.ts';

/**
 * Does work that answers a request. What the database refuses is told as such, a database that is away as that; a bug
 * is logged and told as a failure of ours.
 * @param what is named in the log.
 */
export async function guardedReply(what: string, work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    return replyToError(what, error);
  }
}

function replyToError(what: string, error: unknown): Response {
  if (error instanceof NoChain) return failureReply({ kind: 'away', what: 'chain' });
  if (isDatabaseAway(error)) {
    // Told once where it is watched (watch-plan.ts): here it would be told for every question.
    log.debug({ what, err: error }, 'not answered: the database is away');
    return failureReply({ kind: 'away', what: 'database' });
  }
  // Who asked has gone: nothing failed, and nobody reads the answer.
  if (error instanceof NotAnswered)
    return failureReply({ kind: 'too-much', why: error.why === 'nobody-waits' ? 'full' : error.why });
  const refused = refusalOf(error);
  if (refused?.refusal === 'unfit')
    return problem(
      'invalid',
      422,
      'Something in this cannot be kept (a number or a text out of range). Nothing was saved.',
    );
  if (refused)
    return problem(
      'conflict',
      409,
      `The database refused this (${refused.refusal}: ${refused.constraint}). Nothing was saved.`,
    );
  log.error({ err: error, what }, 'request failed');
  return problem('failed', 500, 'Something failed on our side. Nothing was saved; try again.');
}
