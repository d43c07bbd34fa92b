import { defineMiddleware } from 'astro:middleware';
import type { APIContext } from 'astro';
import { readerLanguage, writingIn } from './contracts/index.ts';
import {
  app,
  awayReply,
  comesFromElsewhere,
  isAway,
  isSoundPath,
  json,
  log,
  NoChain,
  NotAnswered,
  personOf,
  tooMuchReply,
  withSafeHeaders,
} from './server/index.ts';
import { readBy } from './ui/writing/index.ts';

const OPEN = [
  ...['/sign-in', '/api/sign-in', '/api/sign-out', '/api/demo-sign-in', '/api/health'],
  ...['/password', '/api/password', '/api/forgotten', '/begin', '/api/begin/administrator'],
];

/**
 * Every request goes through here: an address that can be read, from a page of ours where it changes something, by
 * somebody who is signed in where that is needed; and every reply with the headers that keep browsers safe.
 */
export const onRequest = defineMiddleware(async (context, next) => {
  context.locals.person = null;
  context.locals.address ??= 'unknown';
  const language = readerLanguage(context.request.headers.get('accept-language'));
  const reply = await readBy(writingIn(language), async () => whole(await answer(context, next)));
  return withSafeHeaders(reply, { secure: app().environment.origin.startsWith('https:') });
});

/** A page is put together as long as it is known who reads it. */
async function whole(reply: Response): Promise<Response> {
  if (!reply.headers.get('content-type')?.startsWith('text/html')) return reply;
  return new Response(await reply.text(), reply);
}

async function answer(context: APIContext, next: () => Promise<Response>): Promise<Response> {
  const path = context.url.pathname;
  const isApi = path.startsWith('/api/');
  if (!isSoundPath(path))
    return isApi ? json({ message: 'There is no such address.' }, 404) : context.rewrite('/404');
  if (comesFromElsewhere(context.request, app().environment.origin))
    return json({ message: 'This came from a page of another site, and was not done.' }, 403);
  if (path.startsWith('/api/till/')) return next();
  const { signIn, db, environment, beginning } = app();
  try {
    context.locals.person = await personOf(signIn, db, context.request.headers, environment);
    if (path === '/sign-in' && (await beginning.needsAdministrator(environment.demo)))
      return context.redirect('/begin');
    if (context.locals.person || OPEN.includes(path) || isApi) return await next();
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
      ? json({ message: 'Something failed on our side. Nothing was saved; try again.' }, 500)
      : context.rewrite('/500');
  }
}
