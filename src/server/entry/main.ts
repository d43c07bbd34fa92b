import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import sirv from 'sirv';
import { pathInOneWay } from '../../contracts/index.ts';
import { connect, sendingRepository } from '../../db/index.ts';
import { hearDatabase } from '../hear-database.ts';
import { readEnvironment } from '../machine/environment.ts';
import { log } from '../machine/log.ts';
import { terminalDesk } from '../terminal-desk.ts';
import { addressOf } from './address.ts';
import { drainOf } from './drain.ts';
import { withoutVersion } from './published-address.ts';
import { measuredRequests } from './request-measures.ts';
import { noteRequest } from './request-note.ts';
import { squeezed } from './squeeze.ts';
import { PRICE_FILE_PATH, terminalDoor } from './terminal-door.ts';
import { STREAM_PATH, terminalStreams } from './terminal-stream.ts';

/** What the framework's build hands over: it answers, or says that it knows no such page. */
type Handler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: undefined,
  locals: object,
) => Promise<void>;

const HEADERS_WITHIN = 15_000;
const REQUEST_WITHIN = 120_000;
const IDLE_FOR = 65_000;
/** To the database, for price files alone. */
const CONNECTIONS = 3;

const app = new URL('./app/', import.meta.url);
const { handler } = (await import(new URL('server/entry.mjs', app).href)) as { handler: Handler };
const files = sirv(new URL('client/', app).pathname, {
  // Made with the build, beside each file that is worth it.
  brotli: true,
  // Names of built files change with what is in them.
  setHeaders: (response, path) => {
    response.setHeader('x-content-type-options', 'nosniff');
    response.setHeader(
      'cache-control',
      path.startsWith('/_astro/') ? 'public, max-age=31536000, immutable' : 'public, max-age=300',
    );
  },
});

const behindProxy = process.env.BELLTAG_PROXY === '1';
const { databaseUrl } = readEnvironment(process.env);
const { db } = connect(databaseUrl, CONNECTIONS);
const desk = terminalDesk(sendingRepository(db));
const takePriceFile = terminalDoor(desk);
const streams = terminalStreams(desk);
hearDatabase(databaseUrl, ['files', 'wake', 'keys'], {
  onNews(channel, what) {
    if (channel === 'wake') return streams.wake(what);
    desk.look();
    if (channel === 'keys') return streams.drop(what);
    streams.newer(what);
  },
  // What was made while nobody listened is asked for by whoever is connected.
  onBegin() {
    desk.look();
    streams.newer('');
  },
});

const server = createServer((request, response) => {
  const address = addressOf(request, behindProxy);
  const note = noteRequest(request, response, { address, behindProxy });
  if (!isReadable(request.url)) return end(response, 400, 'That address cannot be read.');
  const { published, url } = withoutVersion(inOneWay(request.url!));
  request.url = url;
  const path = request.url.split('?')[0];
  if (path === '/live') return end(response, 200, 'live');
  if (path === PRICE_FILE_PATH) return void takePriceFile(request, response, address);
  if (path === STREAM_PATH) return void streams.take(request, response, address);
  squeezed(request, response, () =>
    files(request, response, () => {
      const { id, from } = note;
      const locals = Object.assign(from, {
        address,
        request: id,
        keep,
        measured: measuredRequests,
        published,
      });
      // Without a way on, what nobody knows is answered by the application's own page for it.
      handler(request, response, undefined, locals).catch((error: unknown) => {
        log.error({ err: error, request: id }, 'a request failed');
        end(response, 500, 'Something failed on our side.');
      });
    }),
  );
});
const { endServer, keep } = drainOf(server);
server.headersTimeout = HEADERS_WITHIN;
server.requestTimeout = REQUEST_WITHIN;
server.keepAliveTimeout = IDLE_FOR;
server.listen(Number(process.env.PORT ?? 4321), process.env.HOST ?? '127.0.0.1');

function drain(): void {
  streams.end();
  endServer();
}
process.once('SIGTERM', drain);
process.once('SIGINT', drain);

// What nobody waited for is told and lived through; a process that ends takes everybody's work with it.
process.on('unhandledRejection', (error) =>
  log.error({ err: error }, 'something failed that nobody waited for'),
);
process.on('uncaughtException', (error) => log.error({ err: error }, 'something failed that nobody caught'));

const PLAIN = {
  'content-type': 'text/plain; charset=utf-8',
  'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cache-control': 'no-store',
};

function end(response: ServerResponse, status: number, words: string): void {
  if (response.headersSent) return void response.end();
  response.writeHead(status, PLAIN).end(words);
}

/** The path in our own way of writing ids; what is asked of it stays. */
function inOneWay(url: string): string {
  const [path = '', ...query] = url.split('?');
  return [pathInOneWay(path), ...query].join('?');
}

function isReadable(url: string | undefined): boolean {
  try {
    decodeURI(url ?? '');
    return true;
  } catch {
    return false;
  }
}
