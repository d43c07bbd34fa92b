import { defineMiddleware } from 'astro:middleware';
import { randomUUID } from 'node:crypto';
import type { APIContext } from 'astro';
import { readerLanguage, writingIn } from './contracts/index.ts';
import {
  app,
  asking,
  asksForOnce,
  awayReply,
  comesFromElsewhere,
  isAway,
  isSoundPath,
  log,
  NoChain,
  NotAnswered,
  once,
  personOf,
  problem,
  publishedMethods,
  tooMuchReply,
  whoAsks,
  withSafeHeaders,
} from './server/index.ts';
import { readBy } from './ui/writing/index.ts';

const OPEN = [
  ...['/sign-in', '/api/sign-in', '/api/second-step', '/api/sign-out', '/api/demo-sign-in', '/api/health'],
  ...['/ready', '/metrics'],
  ...['/api/directory', '/api/directory/back'],
  ...['/password', '/api/password', '/api/forgotten', '/begin', '/api/begin/administrator'],
  '/join',
];

/** What somebody reaches who is signed in and must begin with a second step before anything else. */
const WHILE_OWED = ['/second-step', '/api/account/second-step'];

/** @param from a day, as 2027-12-25. */
const isOwed = (from: string | null): boolean =>
  from !== null && from <= new Date().toISOString().slice(0, 10);

/**
 * Every request goes through here: an address that can be read, from a page of ours where it changes something, by
 * somebody who is signed in where that is needed; and every reply with the headers that keep browsers safe.
 */
export const onRequest = defineMiddleware(async (context, next) => {
  context.locals.person = null;
  context.locals.session = null;
  context.locals.owesSecondStep = null;
  withoutEntry(context.locals);
  const language = readerLanguage(context.request.headers.get('accept-language'));
  const reply = await asking.run({ request: context.locals.request }, () =>
    readBy(writingIn(language), async () => whole(await answer(context, next))),
  );
  return withSafeHeaders(reply, { secure: app().environment.origin.startsWith('https:') });
});

/** Where pages are served by the framework alone, as while they are written, nothing of our entry is there. */
function withoutEntry(locals: App.Locals): void {
  locals.address ??= 'unknown';
  locals.request ??= randomUUID();
  locals.published ??= false;
  locals.keep ??= (work) => work;
  locals.measured ??= async () => '';
}

/** A page is put together as long as it is known who reads it. */
async function whole(reply: Response): Promise<Response> {
  if (!reply.headers.get('content-type')?.startsWith('text/html')) return reply;
  return new Response(await reply.text(), reply);
}

async function answer(context: APIContext, next: () => Promise<Response>): Promise<Response> {
  const path = context.url.pathname;
  const isApi = path.startsWith('/api/');
  if (!isSoundPath(path)) return isApi ? noSuchAddress() : context.rewrite('/404');
  if (comesFromElsewhere(context.request, app().environment.origin))
    return problem('elsewhere', 403, 'This came from a page of another site, and was not done.');
  if (isApi && !context.routePattern.startsWith('/api/')) return noSuchAddress();
  const methods = isApi ? await methodsAt(context.routePattern, context.locals.published) : null;
  if (methods?.length === 0) return noSuchAddress();
  if (methods && !methods.includes(context.request.method))
    return problem(
      'wrong-method',
      405,
      `Only ${methods.join(', ')} is answered here.`,
      {},
      { allow: methods.join(', ') },
    );
  if (path.startsWith('/api/till/')) return next();
  const { signIn, db, environment, beginning } = app();
  try {
    const asks = isApi ? whoAsks : personOf;
    const signedIn = await asks(signIn, db, context.request.headers, environment);
    context.locals.person = signedIn?.person ?? null;
    context.locals.session = signedIn?.session ?? null;
    context.locals.owesSecondStep = signedIn?.owesSecondStep ?? null;
    if (path === '/sign-in' && (await beginning.needsAdministrator(environment.demo)))
      return context.redirect('/begin');
    const { person } = context.locals;
    if (isOwed(context.locals.owesSecondStep) && !WHILE_OWED.includes(path) && !OPEN.includes(path))
      return isApi
        ? problem('second-step', 403, 'The chain asks a second step of your sign-in: begin with it first.')
        : context.redirect(`/second-step?next=${encodeURIComponent(path + context.url.search)}`);
    if (person && isApi && asksForOnce(context.request))
      return await once(app().once, person.id, context.request, next);
    if (person || OPEN.includes(path) || isApi) return await next();
    return context.redirect(`/sign-in?next=${encodeURIComponent(path + context.url.search)}`);
  } catch (error) {
    if (error instanceof NoChain) return isApi ? awayReply(isApi, 'chain') : context.redirect('/begin');
    if (error instanceof NotAnswered) return tooMuchReply(isApi, error.why);
    if (await isAway(error, db)) {
      log.debug({ path }, 'not answered: the database is away');
      return awayReply(isApi, 'database');
    }
    log.error({ err: error, path }, 'a page failed');
    return isApi
      ? problem('failed', 500, 'Something failed on our side. Nothing was saved; try again.')
      : context.rewrite('/500');
  }
}

const noSuchAddress = () => problem('not-found', 404, 'There is no such address.');

const endpoints = import.meta.glob<Record<string, unknown>>('./pages/api/**/*.ts');

/** What may be done at an endpoint, HEAD where GET is; null: there is none of that pattern. @param published for other programs alone. */
async function methodsAt(pattern: string, published: boolean): Promise<readonly string[] | null> {
  const load = endpoints[`./pages${pattern}.ts`] ?? endpoints[`./pages${pattern}/index.ts`];
  if (!load) return null;
  const promised = published ? publishedMethods(pattern) : null;
  const methods = Object.keys(await load()).filter(
    (name) => /^[A-Z]+$/.test(name) && (promised?.includes(name) ?? true),
  );
  return methods.includes('GET') ? [...methods, 'HEAD'] : methods;
}
