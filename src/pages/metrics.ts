import { timingSafeEqual } from 'node:crypto';
import type { APIRoute } from 'astro';
import { app, guarded, measureApp, problem } from '../server/index.ts';

const LOOPBACK = ['127.0.0.1', '::1', '::ffff:127.0.0.1'];

/** How the server does, for a program that watches it (Prometheus text). Told to this machine, or to who has the token. */
export const GET: APIRoute = guarded(async ({ locals, request }) => {
  const { metricsToken } = app().environment;
  const said = request.headers.get('authorization') ?? '';
  const known =
    metricsToken === null ? LOOPBACK.includes(locals.address) : same(said, `Bearer ${metricsToken}`);
  if (!known)
    return problem(
      'not-known',
      401,
      'Only this machine, or a program with the token for it, is told.',
      {},
      {
        'www-authenticate': 'Bearer',
      },
    );
  const text = `${await locals.measured()}\n${await measureApp(app(), Date.now())}`;
  return new Response(text, {
    headers: { 'content-type': 'text/plain; version=0.0.4; charset=utf-8', 'cache-control': 'no-store' },
  });
});

const same = (said: string, wanted: string): boolean => {
  const [a, b] = [Buffer.from(said), Buffer.from(wanted)];
  return a.length === b.length && timingSafeEqual(a, b);
};
