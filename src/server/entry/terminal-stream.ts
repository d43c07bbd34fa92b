import type { IncomingMessage, ServerResponse } from 'node:http';
import { isDatabaseAway } from '../../db/index.ts';
import { BEAT, BEGINNING, EVENT_STREAM, eventText, HEARTBEAT } from '../event-stream.ts';
import { AWAY, RETRY_AFTER } from '../http/reply.ts';
import { log } from '../machine/log.ts';
import type { TerminalDesk } from '../terminal-desk.ts';

export const STREAM_PATH = '/api/till/stream';

/** The lines to terminals that are connected. */
export interface TerminalStreams {
  take(request: IncomingMessage, response: ServerResponse, address: string): Promise<void>;
  /** All of them are told to look: something was sent. */
  newer(number: string): void;
  /** One is told to look now. */
  wake(terminal: string): void;
  /** All lines are ended; who was connected finds another server. */
  end(): void;
}

/**
 * `GET /api/till/stream`: a terminal that keeps it open is told at once when there is something to look for. It says
 * no more than that: what is new is asked for and checked as ever.
 */
export function terminalStreams(desk: TerminalDesk): TerminalStreams {
  const open = new Map<string, ServerResponse>();
  const say = (
    response: ServerResponse,
    status: number,
    message: string,
    more: Record<string, string> = {},
  ) =>
    void response
      .writeHead(status, {
        'content-type': 'application/json; charset=utf-8',
        'cache-control': 'no-store',
        ...more,
      })
      .end(JSON.stringify({ message }));
  setInterval(() => {
    for (const response of open.values()) response.write(HEARTBEAT);
  }, BEAT).unref();
  return {
    async take(request, response, address) {
      try {
        if (request.method !== 'GET')
          return say(response, 405, 'Only GET is answered here.', { allow: 'GET' });
        const key = /^Bearer (\S{1,200})$/.exec(request.headers.authorization ?? '')?.[1];
        const terminal = key === undefined ? null : await desk.terminalOf(key);
        if (!terminal) {
          log.warn({ from: address, path: STREAM_PATH }, 'terminal key not known');
          return say(response, 401, 'This terminal key is not known.');
        }
        // A line that broke without a word is still open on this side: the newest one counts.
        open.get(terminal.id)?.end();
        open.set(terminal.id, response);
        response.on('close', () => {
          if (open.get(terminal.id) === response) open.delete(terminal.id);
        });
        response.writeHead(200, EVENT_STREAM).write(BEGINNING);
      } catch (error) {
        if (isDatabaseAway(error)) return say(response, 503, AWAY.database, { 'retry-after': RETRY_AFTER });
        log.error({ err: error }, 'a terminal could not be connected');
        say(response, 500, 'Something failed on our side; try again.');
      }
    },
    newer(number) {
      for (const response of open.values()) response.write(eventText('newer', number));
    },
    wake(terminal) {
      open.get(terminal)?.write(eventText('wake', terminal));
    },
    end() {
      for (const response of open.values()) response.end();
    },
  };
}
