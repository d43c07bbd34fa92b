/** What went wrong, told apart by name; each with the heading that it bears wherever it happens. */
const TITLES = {
  invalid: 'What was sent is not right',
  unreadable: 'What was sent cannot be read',
  'wrong-type': 'What was sent is of another type',
  'wrong-method': 'Nothing is done here that way',
  'not-signed-in': 'Nobody is signed in',
  'not-known': 'Who asks is not known',
  forbidden: 'Not allowed',
  'second-step': 'A second step of the sign-in first',
  elsewhere: 'Sent from another site',
  'not-found': 'Not there',
  conflict: 'Somebody else was first',
  'too-large': 'Too large',
  'too-many': 'Too many tries',
  'too-much': 'Too much at once',
  away: 'Not there just now',
  failed: 'Failed on our side',
} as const;

export type ProblemKind = keyof typeof TITLES;

export const PROBLEM_TYPE = 'application/problem+json; charset=utf-8';

/** The body of {@link problem}, where there is no reply of the framework to put it in. */
export const problemText = (
  kind: ProblemKind,
  status: number,
  detail: string,
  more: Readonly<Record<string, unknown>> = {},
): string =>
  JSON.stringify({ type: `urn:belltag:problem:${kind}`, title: TITLES[kind], status, detail, ...more });

/**
 * Why something was not done, for a person (`detail`) and a program (`type`): problem details as of RFC 9457.
 * @param more what else is known, such as `faults` with the place of each.
 */
export function problem(
  kind: ProblemKind,
  status: number,
  detail: string,
  more: Readonly<Record<string, unknown>> = {},
  headers: Readonly<Record<string, string>> = {},
): Response {
  return new Response(problemText(kind, status, detail, more), {
    status,
    headers: {
      'content-type': PROBLEM_TYPE,
      'cache-control': 'no-store',
      ...headers,
    },
  });
}
