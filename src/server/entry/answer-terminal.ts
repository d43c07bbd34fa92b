import type { IncomingMessage, ServerResponse } from 'node:http';
import { isDatabaseAway } from '../../db/index.ts';
import type { KeyedTerminal } from '../../usecases/ports/index.ts';
import { PROBLEM_TYPE, type ProblemKind, problemText } from '../http/problem.ts';
import { AWAY, RETRY_AFTER } from '../http/reply.ts';
import { log } from '../machine/log.ts';
import type { TerminalDesk } from '../terminal-desk.ts';

export const TERMINAL_HEADERS = { 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' };

export interface TerminalAsks {
  readonly request: IncomingMessage;
  readonly response: ServerResponse;
  /** From where. */
  readonly address: string;
}

const KINDS = {
  401: 'not-known',
  405: 'wrong-method',
  422: 'invalid',
  500: 'failed',
  503: 'away',
} as const satisfies Record<number, ProblemKind>;

/** Refuses in words. */
export type Refuse = (status: keyof typeof KINDS, message: string, headers?: Record<string, string>) => void;

/** Answers a terminal that says its key, ahead of the rest of the application. */
export async function answerTerminal(
  desk: Pick<TerminalDesk, 'terminalOf'>,
  path: string,
  { request, response, address }: TerminalAsks,
  work: (terminal: KeyedTerminal, refuse: Refuse) => Promise<void> | void,
): Promise<void> {
  const refuse: Refuse = (status, message, headers = {}) =>
    void response
      .writeHead(status, {
        ...TERMINAL_HEADERS,
        'content-type': PROBLEM_TYPE,
        ...headers,
      })
      .end(problemText(KINDS[status], status, message));
  try {
    if (request.method !== 'GET') return refuse(405, 'Only GET is answered here.', { allow: 'GET' });
    const key = /^Bearer (\S{1,200})$/.exec(request.headers.authorization ?? '')?.[1];
    const terminal = key === undefined ? null : await desk.terminalOf(key);
    if (!terminal) {
      log.warn({ from: address, path }, 'terminal key not known');
      return refuse(401, 'This terminal key is not known.');
    }
    await work(terminal, refuse);
  } catch (error) {
    if (isDatabaseAway(error)) return refuse(503, AWAY.database, { 'retry-after': RETRY_AFTER });
    log.error({ err: error, path }, 'a terminal could not be answered');
    refuse(500, 'Something failed on our side; try again.');
  }
}
