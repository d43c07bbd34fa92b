import type { Failure, Outcome } from '../contracts/index.ts';
import { jsonPointer } from '../core/plan/index.ts';

/** A failure as a reply. A refusal of fields is 422 with a list of `{path, message}`. */
export function failureReply(failure: Failure): Response {
  switch (failure.kind) {
    case 'invalid':
      return json(
        {
          message: 'Nothing was saved.',
          faults: failure.faults.map(({ path, what, wanted }) => ({
            path: jsonPointer(path),
            message: `${what}; wanted: ${wanted}`,
          })),
        },
        422,
      );
    case 'forbidden':
      return json({ message: 'Your role does not allow this.' }, 403);
    case 'not-found':
      return json({ message: `There is no ${failure.what}.` }, 404);
    case 'conflict':
      return json({ message: failure.message, current: failure.current }, 409);
  }
}

export const outcomeReply = <T>(outcome: Outcome<T>, status = 200): Response =>
  outcome.ok ? json(outcome.value, status) : failureReply(outcome.failure);

export function json(value: unknown, status = 200): Response {
  return new Response(JSON.stringify(value), {
    status,
    headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store' },
  });
}
