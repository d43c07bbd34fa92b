import type { APIContext, APIRoute } from 'astro';
import type Joi from 'joi';
import {
  failed,
  idOfAddress,
  may,
  type Outcome,
  type Permission,
  type Person,
  shape,
} from '../contracts/index.ts';
import { type App, app } from './app.ts';
import type { HeavyEndpoint } from './heavy/heavy-endpoints.ts';
import type { MadeReply } from './heavy/heavy-messages.ts';
import { guardedReply } from './http/guarded.ts';
import { problem } from './http/problem.ts';
import { KB, readBytes, readJson } from './http/read-body.ts';
import { failureReply } from './http/reply.ts';
import { now } from './machine/clock.ts';

export interface Asked<T> {
  readonly app: App;
  readonly person: Person;
  readonly input: T;
  /** The parts of the address, each read as the id that it stands for. */
  readonly params: Readonly<Record<string, string>>;
  readonly context: APIContext;
}

/** What an endpoint asks of who asks, for who wants to know before. */
export interface EndpointTold {
  readonly permission: Permission;
  /** What stands in it is of this shape; of a heavy endpoint it is said by its work. */
  readonly schema: Joi.Schema | null;
  readonly from: 'body' | 'query';
  readonly heavy: HeavyEndpoint | null;
}
export type ToldRoute = APIRoute & { readonly told?: EndpointTold };

/** What is small enough to be read where everybody waits. */
const SMALL = 64 * KB;

/**
 * An endpoint for a signed-in person: who it is, whether they may, whether what they sent is right, then the work.
 * @param schema of the JSON body, or of the query where `from` is "query"; null where nothing is sent.
 * @param own whether it is about who is signed in, which no program is.
 */
export function endpoint<T = null>(
  options: { permission: Permission; schema?: Joi.Schema<T> | null; from?: 'body' | 'query'; own?: true },
  work: (asked: Asked<T>) => Promise<Response>,
): ToldRoute {
  const { permission, schema = null, from = 'body' } = options;
  const route = guarded(async (context) => {
    const person = personWho(context, options.permission);
    if (!person.ok) return person.refusal;
    if (options.own && person.value.scopes) return failureReply({ kind: 'forbidden' });
    const read = await readInput(options, context);
    if (!read.ok) return failureReply(read.failure);
    return work({ app: app(), person: person.value, input: read.value, params: paramsOf(context), context });
  });
  return Object.assign(route, { told: { permission, schema, from, heavy: null } });
}

/**
 * An endpoint whose answer may take long: what was sent is read, and the work done, in a thread beside the server.
 * @param most bytes of a body; nothing is sent where it is left out.
 */
export function heavyEndpoint(
  task: HeavyEndpoint,
  options: { permission: Permission; most?: number },
): ToldRoute {
  const route = guarded(async (context) => {
    const person = personWho(context, options.permission);
    if (!person.ok) return person.refusal;
    const { request, url } = context;
    const body =
      options.most === undefined
        ? { ok: true as const, value: null }
        : await readBytes(request, options.most);
    if (!body.ok) return failureReply(body.failure);
    const sent = {
      bytes: body.value,
      type: request.headers.get('content-type'),
      ifMatch: request.headers.get('if-match'),
      query: Object.fromEntries(url.searchParams),
      params: paramsOf(context),
    };
    const call = { task, person: person.value, sent, now: now(), signal: request.signal };
    return streamed((onNews) => context.locals.keep(app().heavy.reply(call, onNews)));
  });
  const { permission, most } = options;
  const from = most === undefined ? 'query' : 'body';
  return Object.assign(route, { told: { permission, schema: null, from, heavy: task } as const });
}

/** The reply of a heavy task; where lines come ahead of it, a stream that begins with them. */
function streamed(work: (onNews: (line: string) => void) => Promise<Outcome<MadeReply>>): Promise<Response> {
  return new Promise((resolve, reject) => {
    const encoder = new TextEncoder();
    let stream: ReadableStreamDefaultController | null = null;
    let gone = false;
    const send = (chunk: Uint8Array) => gone || stream!.enqueue(chunk);
    const begin = () =>
      new ReadableStream({
        start(controller) {
          stream = controller;
        },
        // Whoever asked has gone: what comes now is for nobody.
        cancel() {
          gone = true;
        },
      });
    const onNews = (line: string) => {
      if (!stream)
        resolve(
          new Response(begin(), {
            headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store' },
          }),
        );
      send(encoder.encode(line));
    };
    work(onNews).then(
      async (outcome) => {
        const reply = outcome.ok ? responseOf(outcome.value) : failureReply(outcome.failure);
        if (!stream) return resolve(reply);
        send(outcome.ok && reply.ok ? outcome.value.body : encoder.encode(await refusalLine(reply)));
        if (!gone) stream.close();
      },
      (error: unknown) => (stream ? gone || stream.error(error) : reject(error)),
    );
  });
}

/** A refusal that comes after lines have gone out is a line itself. */
async function refusalLine(reply: Response): Promise<string> {
  const { detail, faults = [] } = await reply.json();
  return `${JSON.stringify({ kind: 'refused', message: detail, faults })}\n`;
}

const responseOf = ({ status, headers, body }: MadeReply): Response =>
  new Response([204, 304].includes(status) ? null : new Blob([body as Uint8Array<ArrayBuffer>]), {
    status,
    headers: headers.map(([name, value]) => [name, value] as [string, string]),
  });

const paramsOf = ({ params }: APIContext): Record<string, string> =>
  Object.fromEntries(Object.entries(params).map(([name, text]) => [name, idOfAddress(text ?? '')]));

type WhoAsks = { ok: true; value: Person } | { ok: false; refusal: Response };

function personWho(context: APIContext, permission: Permission): WhoAsks {
  const { person } = context.locals;
  if (!person) return { ok: false, refusal: problem('not-signed-in', 401, 'Sign in first.') };
  return may(person, permission)
    ? { ok: true, value: person }
    : { ok: false, refusal: failureReply({ kind: 'forbidden' }) };
}

async function readInput<T>(
  options: { schema?: Joi.Schema<T> | null; from?: 'body' | 'query' },
  context: APIContext,
): Promise<Outcome<T>> {
  if (!options.schema) return { ok: true, value: null as T };
  const raw: Outcome<unknown> =
    options.from === 'query'
      ? { ok: true, value: Object.fromEntries(context.url.searchParams) }
      : await readJson(context.request, SMALL);
  if (!raw.ok) return raw;
  const shaped = shape(options.schema, raw.value);
  return shaped.ok ? { ok: true, value: shaped.value } : failed({ kind: 'invalid', faults: shaped.faults });
}

/** What goes wrong is told in words and logged, whatever it is. */
export const guarded =
  (work: (context: APIContext) => Promise<Response>): APIRoute =>
  (context) =>
    guardedReply(`${context.request.method} ${context.url.pathname}`, () => work(context));
