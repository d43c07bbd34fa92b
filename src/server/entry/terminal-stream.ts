import type { IncomingMessage, ServerResponse } from 'node:http';
import { BEAT, BEGINNING, EVENT_STREAM, eventText, HEARTBEAT } from '../event-stream.ts';
import type { TerminalDesk } from '../terminal-desk.ts';
import { answerTerminal } from './answer-terminal.ts';

export const STREAM_PATH = '/api/till/stream';

/** The lines to terminals that are connected. */
export interface TerminalStreams {
  take(request: IncomingMessage, response: ServerResponse, address: string): Promise<void>;
  /** All of them are told to look: something was sent. */
  newer(number: string): void;
  /** One is told to look now. */
  wake(terminal: string): void;
  /** Its line is ended: it comes back if its key still lets it in. */
  drop(terminal: string): void;
  /** All lines are ended; who was connected finds another server. */
  end(): void;
}

/**
 * `GET /api/till/stream`: a terminal that keeps it open is told at once when there is something to look for. It says
 * no more than that: what is new is asked for and checked as ever.
 */
export function terminalStreams(desk: TerminalDesk): TerminalStreams {
  const open = new Map<string, ServerResponse>();
  setInterval(() => {
    for (const response of open.values()) response.write(HEARTBEAT);
  }, BEAT).unref();
  return {
    take: (request, response, address) =>
      answerTerminal(desk, STREAM_PATH, { request, response, address }, ({ id }) => {
        // A line that broke without a word is still open on this side: the newest one counts.
        open.get(id)?.end();
        open.set(id, response);
        response.on('close', () => {
          if (open.get(id) === response) open.delete(id);
        });
        response.writeHead(200, EVENT_STREAM).write(BEGINNING);
      }),
    newer(number) {
      for (const response of open.values()) response.write(eventText('newer', number));
    },
    wake(terminal) {
      open.get(terminal)?.write(eventText('wake', terminal));
    },
    drop(terminal) {
      open.get(terminal)?.end();
    },
    end() {
      for (const response of open.values()) response.end();
    },
  };
}
