import type { APIContext, APIRoute } from 'astro';
import type Joi from 'joi';
import { failed, may, type Permission, type Person, shape } from '../contracts/index.ts';
import { refusalOf } from '../db/index.ts';
import { type App, app } from './app.ts';
import { log } from './log.ts';
import { failureReply, json } from './reply.ts';

export interface Asked<T> {
  readonly app: App;
  readonly person: Person;
  readonly input: T;
  readonly context: APIContext;
}

/**
 * An endpoint for a signed-in person: who it is, whether they may, whether what they sent is right, then the work.
 * @param schema of the JSON body, or of the query where `from` is "query"; null where nothing is sent.
 */
export function endpoint<T = null>(
  options: { permission: Permission; schema?: Joi.Schema<T> | null; from?: 'body' | 'query' },
  work: (asked: Asked<T>) => Promise<Response>,
): APIRoute {
  return guarded(async (context) => {
    const running = await app();
    const person = context.locals.person;
    if (!person) return json({ message: 'Sign in first.' }, 401);
    if (!may(person, options.permission)) return failureReply({ kind: 'forbidden' });
    const read = await readInput(options, context);
    if (!read.ok) return failureReply(read.failure);
    return work({ app: running, person, input: read.value, context });
  });
}

async function readInput<T>(
  options: { schema?: Joi.Schema<T> | null; from?: 'body' | 'query' },
  context: APIContext,
) {
  if (!options.schema) return { ok: true as const, value: null as T };
  const raw =
    options.from === 'query'
      ? Object.fromEntries(context.url.searchParams)
      : await context.request.json().catch(() => undefined);
  if (raw === undefined)
    return failed({
      kind: 'invalid',
      faults: [{ path: [], what: 'the body is no JSON', wanted: 'a JSON object' }],
    });
  const shaped = shape(options.schema, raw);
  return shaped.ok
    ? { ok: true as const, value: shaped.value }
    : failed({ kind: 'invalid', faults: shaped.faults });
}

/** What the database refuses is told as such; a bug is logged and told as a failure of ours. */
export function guarded(work: (context: APIContext) => Promise<Response>): APIRoute {
  return async (context) => {
    try {
      return await work(context);
    } catch (error) {
      const refused = refusalOf(error);
      if (refused)
        return json(
          {
            message: `The database refused this (${refused.refusal}: ${refused.constraint}). Nothing was saved.`,
          },
          409,
        );
      log.error({ err: error, path: context.url.pathname }, 'request failed');
      return json({ message: 'Something failed on our side. Nothing was saved; try again.' }, 500);
    }
  };
}
