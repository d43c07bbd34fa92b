import { defineMiddleware } from 'astro:middleware';
import { app, personOf } from './server/index.ts';

const OPEN = ['/sign-in', '/api/sign-in', '/api/demo-sign-in', '/api/health'];

/** Finds out who asks. Pages other than the sign-in are for people who are signed in. */
export const onRequest = defineMiddleware(async (context, next) => {
  context.locals.person = null;
  const path = context.url.pathname;
  if (path.startsWith('/api/till/') || path.startsWith('/_astro/')) return next();
  const { signIn, db } = await app();
  context.locals.person = await personOf(signIn, db, context.request.headers);
  if (context.locals.person || OPEN.includes(path) || path.startsWith('/api/')) return next();
  return context.redirect(`/sign-in?next=${encodeURIComponent(path + context.url.search)}`);
});
