import { createHash } from 'node:crypto';
import type { OnceStore } from '../../db/index.ts';
import { problem } from './problem.ts';
import { MB, readBytes } from './read-body.ts';
import { failureReply } from './reply.ts';

export const ONCE_HEADER = 'idempotency-key';
/** Says of an answer that it was given before. */
const GIVEN_BEFORE = 'idempotent-replayed';
const MOST = 20 * MB;
/** Of an answer that is kept. */
const KEPT_HEADERS = ['content-type', 'etag', 'location'];

/** Where answers are shown once and kept nowhere: keys, secrets, lists of codes. */
const NEVER_KEPT = /^\/api\/(v\d+\/)?(account|codes|join|keys|shoppers|send\/terminal-key|webhooks)(\/|$)/;

/** Whether a request asks to be done once. */
export const asksForOnce = ({ method, headers, url }: Request): boolean =>
  headers.has(ONCE_HEADER) &&
  !['GET', 'HEAD', 'OPTIONS'].includes(method) &&
  !NEVER_KEPT.test(new URL(url).pathname);

/**
 * Does something once, however often it is asked under the same key of the same person: asked again, the answer is the
 * one that was given. What failed on our side was not done, and may be asked again.
 */
export async function once(
  store: OnceStore,
  person: string,
  request: Request,
  work: () => Promise<Response>,
): Promise<Response> {
  const key = request.headers.get(ONCE_HEADER)!.trim();
  if (!/^[\x21-\x7e]{1,200}$/.test(key))
    return problem(
      'invalid',
      422,
      'An Idempotency-Key is 1 to 200 letters, digits and signs. Nothing was saved.',
    );
  const body = await readBytes(request.clone(), MOST);
  if (!body.ok) return failureReply(body.failure);
  const { pathname, search } = new URL(request.url);
  const digest = createHash('sha256')
    .update(`${request.method} ${pathname}${search}\0`)
    .update(body.value)
    .digest('hex');
  const before = await store.claim(person, key, digest);
  if (before === null) return first(store, person, key, work);
  if (before.digest !== digest)
    return problem('invalid', 422, 'This Idempotency-Key was used for something else. Nothing was saved.');
  if (before.answer === null)
    return problem(
      'conflict',
      409,
      'This is being done just now, or it is not known what came of it: look at what stands before you ask under another key.',
    );
  const { status, headers, body: text } = before.answer;
  return new Response(status === 204 ? null : text, {
    status,
    headers: { ...headers, [GIVEN_BEFORE]: 'true' },
  });
}

async function first(
  store: OnceStore,
  person: string,
  key: string,
  work: () => Promise<Response>,
): Promise<Response> {
  const reply = await work();
  if (reply.status >= 500 || reply.status === 429) {
    await store.forget(person, key);
    return reply;
  }
  const body = await reply.text();
  const headers = Object.fromEntries(
    KEPT_HEADERS.flatMap((name) => {
      const value = reply.headers.get(name);
      return value === null ? [] : [[name, value] as const];
    }),
  );
  await store.keep(person, key, { status: reply.status, headers, body });
  return new Response(reply.status === 204 ? null : body, reply);
}
