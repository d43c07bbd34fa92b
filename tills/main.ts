import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import { BASKET_NAME, idInAddress, idOfAddress, pathInOneWay } from '../src/contracts/index.ts';
import { basketAsked, basketOf, linesOf } from './asked-basket.ts';
import { fontOf } from './font.ts';
import { type House, type HousedTill, house } from './house.ts';
import { openLine } from './open-line.ts';
import { listPage, tillPage } from './page.ts';
import { mediaTypeOf } from './picture-disk.ts';
import { basketPage } from './receipt-page.ts';
import { keepAsking } from './rhythm.ts';
import { ringer } from './ring.ts';
import { scenarioOf } from './scenario.ts';
import type { Till, TillIdentity } from './till-ports.ts';
import { DISK_TROUBLES } from './troubled-disk.ts';

interface Enrolment {
  readonly server: string;
  /** PEM of the chain's key; a till trusts no other but those that it vouches for. */
  readonly publicKey: string;
  readonly off: readonly string[];
  readonly tills: readonly TillIdentity[];
}

/** Runs the simulated tills of a folder and a page to look at them. */
function main(folder: string, port: number, pollEvery: number, aStore: number): void {
  const enrolment = JSON.parse(readFileSync(`${folder}/tills.json`, 'utf8')) as Enrolment;
  const origin = process.env.BELLTAG_ORIGIN ?? enrolment.server;
  const all = house(firstOfEach(enrolment.tills, aStore), folder, {
    ...{ server: origin, publicKey: enrolment.publicKey, ringer: ringer(), now: () => Date.now() },
    wait: (ms) => wait(ms),
  });
  for (const id of enrolment.off) all.tills.get(id)?.till.switchOn(false);
  [...all.tills.values()].forEach(({ till }, i) => {
    keepAsking(till, {
      every: pollEvery,
      // Each in its own rhythm, spread over the interval.
      first: (i / all.tills.size) * pollEvery,
      openLine: (onNews) => openLine(origin, till, onNews),
      chance: Math.random,
    });
  });
  const server = createServer((request, response) => {
    serve(all, request, response).catch((error: Error) => {
      response.writeHead(500).end(error.message);
    });
  });
  // All tills of a chain in one process are busy for a while when new files come: whoever asks then waits.
  server.keepAliveTimeout = 65_000;
  server.listen(port, '127.0.0.1');
}

/** So many tills of each store, in the order in which they are enrolled. */
function firstOfEach(tills: readonly TillIdentity[], aStore: number): readonly TillIdentity[] {
  const seen = new Map<string, number>();
  return tills.filter(({ store }) => {
    const nth = (seen.get(store) ?? 0) + 1;
    seen.set(store, nth);
    return nth <= aStore;
  });
}

/** A page of another site that makes a reader's browser press buttons here. */
function comesFromElsewhere({ method, headers }: IncomingMessage): boolean {
  if (method === 'GET' || method === 'HEAD') return false;
  const site = headers['sec-fetch-site'];
  if (headers.origin !== undefined) return headers.origin !== `http://${headers.host}`;
  return site !== undefined && site !== 'same-origin' && site !== 'none';
}

async function serve(all: House, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const url = new URL(request.url ?? '/', 'http://till');
  const [, place = '', id = '', action = '', detail = '', deed = ''] = pathInOneWay(url.pathname)
    .split('/')
    .map(idOfAddress);
  const html = (text: string, status = 200) =>
    response.writeHead(status, { 'content-type': 'text/html; charset=utf-8' }).end(text);
  if (comesFromElsewhere(request))
    return void response.writeHead(403).end('asked from a page of another site');
  if (url.pathname === '/') return void html(listPage([...all.tills.values()].map(shown)));
  if (place === 'font') return void serveFont(id, response);
  if (place === 'scenario' && request.method === 'POST') return void playScenario(all, id, response);
  const one = place === 'till' ? all.tills.get(id) : undefined;
  if (!one) return void response.writeHead(404).end('no such till');
  const { till } = one;
  const asked = { code: url.searchParams.get('code') ?? '', group: url.searchParams.get('group') ?? '' };
  const rung = asked.code === '' ? null : till.ring(asked.code, asked.group || null);
  if (action === 'picture') return void servePicture(till.picture(detail), response);
  if (action === 'basket' && detail !== '')
    return void (await closeBasket(till, detail, deed, request, response));
  if (action === 'basket') return void (await serveBasket(till, url, request, response));
  if (action === 'control' && request.method === 'POST') {
    const fault = control(one, new URLSearchParams(await bodyOf(request)));
    if (fault !== null) return void html(tillPage(shown(one), null, asked, fault), 422);
    await till.poll();
    return void response.writeHead(303, { location: `/till/${idInAddress(id)}` }).end();
  }
  if (action === 'state')
    return void response
      .writeHead(200, { 'content-type': 'application/json' })
      .end(JSON.stringify({ ...shown(one), rung }));
  html(tillPage(shown(one), rung, asked));
}

const shown = ({ till, trouble }: HousedTill) => ({ ...till.state(), ...trouble, dark: till.isDark() });

function serveFont(name: string, response: ServerResponse): void {
  const bytes = fontOf(name);
  if (bytes)
    response.writeHead(200, { 'content-type': 'font/woff2', 'cache-control': 'max-age=86400' }).end(bytes);
  else response.writeHead(404).end('no such font');
}

/** From the page it leads back there; a command is told in words. */
function playScenario(all: House, name: string, response: ServerResponse): void {
  const scenario = scenarioOf(name);
  if (!scenario) return void response.writeHead(404).end(`there is no scenario “${name}”`);
  all.play(scenario);
  response.writeHead(303, { location: '/' }).end(scenario.words);
}

function servePicture(bytes: Uint8Array | null, response: ServerResponse): void {
  if (bytes) response.writeHead(200, { 'content-type': mediaTypeOf(bytes) }).end(bytes);
  else response.writeHead(404).end('no such picture');
}

/** A basket sent as JSON is answered with its receipt; asked for by a form, with a page. */
async function serveBasket(
  one: Till,
  url: URL,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  if (request.method === 'POST') {
    const raw = jsonOf(await bodyOf(request));
    const answer = await one.ringBasket(raw, basketName((raw as { id?: unknown } | null)?.id));
    const status = answer === null ? 409 : answer.ok ? 200 : 422;
    response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(answer));
    return;
  }
  const basket = basketName(url.searchParams.get('basket'));
  const asked = { ...basketAsked(url.searchParams), basket };
  const lines = linesOf(asked.lines);
  const answer = lines.length > 0 ? await one.ringBasket(basketOf(asked, lines), basket) : null;
  response
    .writeHead(200, { 'content-type': 'text/html; charset=utf-8' })
    .end(basketPage(one.state(), asked, answer));
}

/** The name that a basket has had since it was begun, else one of its own. */
const basketName = (said: unknown): string =>
  typeof said === 'string' && BASKET_NAME.test(said) ? said : randomUUID();

/** Paid, or left standing: from the page it leads to the next basket. */
async function closeBasket(
  one: Till,
  basket: string,
  deed: string,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  if (request.method !== 'POST' || (deed !== 'paid' && deed !== 'dropped'))
    return void response.writeHead(404).end('a basket is paid or dropped, by POST');
  await one[deed](basket);
  response.writeHead(303, { location: `/till/${idInAddress(one.state().id)}/basket` }).end();
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** @returns what is wrong with what was typed; nothing was set then. */
function control({ till, trouble }: HousedTill, form: URLSearchParams): string | null {
  const onOff = form.get('on');
  if (onOff !== null) till.switchOn(onOff === '1');
  if (form.has('right')) till.setClock(null);
  const disk = DISK_TROUBLES.find((one) => one === form.get('disk'));
  if (disk) trouble.disk = disk;
  const key = form.get('key')?.trim();
  if (key !== undefined) {
    if (!/^[\w-]{8,200}$/.test(key))
      return 'that is no key; wanted: letters, digits, “-” and “_”, as it was shown';
    till.putKey(key);
  }
  const version = form.get('version');
  if (version !== null) trouble.old = version === 'first';
  if (!form.has('set')) return null;
  const delay = form.get('delay') || '0';
  if (!/^\d{1,6}$/.test(delay)) return `“${delay}” is no delay; wanted: milliseconds, a whole number`;
  const clock = form.get('clock');
  if (clock && !till.setClock(clock))
    return `“${clock}” is no wall time; wanted: one such as 2027-03-01T08:59`;
  till.setDelay(Number(delay));
  return null;
}

const MOST_ASKED = 1_000_000;

async function bodyOf(request: IncomingMessage): Promise<string> {
  const chunks: Buffer[] = [];
  let length = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    length += chunk.length;
    if (length > MOST_ASKED) throw new Error(`more than ${MOST_ASKED} bytes were sent`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

main(
  process.env.BELLTAG_TILLS ?? '.data/tills-main',
  Number(process.env.TILL_PORT ?? 4330),
  Number(process.env.BELLTAG_TILL_POLL ?? 5000),
  Number(process.env.BELLTAG_TILLS_A_STORE ?? Number.POSITIVE_INFINITY),
);
