import type { IncomingMessage, ServerResponse } from 'node:http';
import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import { isDatabaseAway } from '../../db/index.ts';
import { AWAY, RETRY_AFTER } from '../http/reply.ts';
import { log } from '../machine/log.ts';
import type { TerminalDesk } from '../terminal-desk.ts';

export const PRICE_FILE_PATH = '/api/till/price-file';

/**
 * `GET /api/till/price-file?have=12&sha256=…`: the newest file of the terminal's store, or 204 where it has that one.
 * Who says what it has, down to the last byte, gets the difference alone where that is less. Thousands of terminals ask every few seconds, or all at once when something was sent: what they get lies packed in memory, and
 * is handed out before anything else of the application is troubled.
 */
export function terminalDoor(desk: TerminalDesk) {
  return async (request: IncomingMessage, response: ServerResponse, address: string): Promise<void> => {
    const say = (status: number, message: string, headers: Record<string, string> = {}) =>
      void response
        .writeHead(status, { ...HEADERS, 'content-type': 'application/json; charset=utf-8', ...headers })
        .end(JSON.stringify({ message }));
    try {
      if (request.method !== 'GET') return say(405, 'Only GET is answered here.', { allow: 'GET' });
      const key = /^Bearer (\S{1,200})$/.exec(request.headers.authorization ?? '')?.[1];
      const terminal = key === undefined ? null : await desk.terminalOf(key);
      if (!terminal) {
        log.warn({ from: address, path: PRICE_FILE_PATH }, 'terminal key not known');
        return say(401, 'This terminal key is not known.');
      }
      const asked = askedIn(request.url ?? '');
      if (asked.have === undefined) return say(422, '`have` is the number of a price file.');
      if (asked.sha256 === undefined) return say(422, '`sha256` is 64 hexadecimal digits.');
      const number = await desk.newestNumber(terminal.store);
      if (number === null || number === asked.have) return void response.writeHead(204, HEADERS).end();
      const { have, sha256 } = asked;
      const has = have !== null && sha256 !== null ? { number: have, sha256 } : null;
      const packed =
        (has && (await desk.change(terminal.store, number, has))) ??
        (await desk.envelope(terminal.store, number));
      if (!packed) return void response.writeHead(204, HEADERS).end();
      await hand(packed, number, request, response);
    } catch (error) {
      if (isDatabaseAway(error)) return say(503, AWAY.database, { 'retry-after': RETRY_AFTER });
      log.error({ err: error }, 'a price file could not be handed out');
      say(500, 'Something failed on our side; try again.');
    }
  };
}

const HEADERS = { 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' };
const unpack = promisify(gunzip);

/** As it lies there where the asker takes that. */
async function hand(
  packed: Uint8Array,
  number: number,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  const takes = /\bgzip\b/.test(String(request.headers['accept-encoding'] ?? ''));
  const body = takes ? packed : await unpack(packed);
  response
    .writeHead(200, {
      ...HEADERS,
      'content-type': 'application/json; charset=utf-8',
      'content-length': body.length,
      vary: 'accept-encoding',
      'x-price-file': String(number),
      ...(takes ? { 'content-encoding': 'gzip' } : {}),
    })
    .end(body);
}

/** What the terminal says that it has; null: nothing; undefined: something that it cannot be. */
function askedIn(url: string) {
  const query = new URLSearchParams(url.split('?')[1] ?? '');
  const said = <T>(name: string, form: RegExp, read: (text: string) => T): T | null | undefined => {
    const text = query.get(name);
    if (text === null) return null;
    return form.test(text) ? read(text) : undefined;
  };
  return { have: said('have', /^\d{1,15}$/, Number), sha256: said('sha256', /^[0-9a-f]{64}$/, String) };
}
