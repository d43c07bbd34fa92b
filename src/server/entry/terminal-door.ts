import type { IncomingMessage, ServerResponse } from 'node:http';
import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import type { KeyedTerminal } from '../../usecases/ports/index.ts';
import type { TerminalDesk } from '../terminal-desk.ts';
import { answerTerminal, TERMINAL_HEADERS } from './answer-terminal.ts';

export const PRICE_FILE_PATH = '/api/till/price-file';

/**
 * `GET /api/till/price-file?have=12&sha256=…`: the newest file of the terminal's store, or 204 where it has that one.
 * Who says what it has, down to the last byte, gets the difference alone where that is less; who is to have the whole
 * once more gets it whatever it has. Thousands of terminals ask every few seconds, or all at once when something was
 * sent: what they get lies packed in memory, and is handed out before anything else of the application is troubled.
 */
export function terminalDoor(desk: TerminalDesk) {
  return (request: IncomingMessage, response: ServerResponse, address: string): Promise<void> =>
    answerTerminal(desk, PRICE_FILE_PATH, { request, response, address }, async (terminal, refuse) => {
      const { have, sha256 } = askedIn(request.url ?? '');
      if (have === undefined) return refuse(422, '`have` is the number of a price file.');
      if (sha256 === undefined) return refuse(422, '`sha256` is 64 hexadecimal digits.');
      const number = await desk.newestNumber(terminal.store);
      const whole = wantsWhole(terminal, { have, sha256 });
      if (number === null || (number === have && !whole))
        return void response.writeHead(204, TERMINAL_HEADERS).end();
      const has = !whole && have !== null && sha256 !== null ? { number: have, sha256 } : null;
      const packed =
        (has && (await desk.change(terminal.store, number, has))) ??
        (await desk.envelope(terminal.store, number));
      if (!packed) return void response.writeHead(204, TERMINAL_HEADERS).end();
      if (whole) response.once('finish', () => desk.gaveWhole(terminal.id));
      await hand(packed, number, request, response);
    });
}

interface Has {
  readonly have: number | null;
  readonly sha256: string | null;
}

/** A program of the first version, which does not say what it has to the last byte, takes nothing that it has. */
const wantsWhole = (terminal: KeyedTerminal, { have, sha256 }: Has): boolean =>
  terminal.wantsWhole && (have === null || sha256 !== null);

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
      ...TERMINAL_HEADERS,
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
