import type { APIContext, APIRoute } from 'astro';
import type { TerminalName } from '../usecases/ports/index.ts';
import { type App, app } from './app.ts';
import { guarded } from './endpoint.ts';
import { problem } from './http/problem.ts';
import { log } from './machine/log.ts';

/** An endpoint for a terminal, known by its own key in `Authorization: Bearer`. An unknown key is 401, and logged. */
export function terminalEndpoint(
  work: (asked: { app: App; terminal: TerminalName; context: APIContext }) => Promise<Response>,
): APIRoute {
  return guarded(async (context) => {
    const running = app();
    const key = /^Bearer (\S{1,200})$/.exec(context.request.headers.get('authorization') ?? '')?.[1];
    const terminal = key === undefined ? null : await running.terminals.terminalOf(key);
    if (!terminal) {
      log.warn({ from: context.locals.address, path: context.url.pathname }, 'terminal key not known');
      return problem('not-known', 401, 'This terminal key is not known.');
    }
    return work({ app: running, terminal, context });
  });
}
