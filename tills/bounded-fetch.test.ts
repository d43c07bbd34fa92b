import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { boundedFetch } from './bounded-fetch.ts';

let server: Server;
let origin: string;
let open: NodeJS.Timeout | undefined;
beforeEach(async () => {
  server = createServer((request, response) => {
    if (request.url === '/silent') return;
    if (request.url === '/elsewhere') return void response.writeHead(302, { location: '/small' }).end();
    if (request.url === '/small') return void response.end('small');
    if (request.url === '/packed')
      return void response
        .writeHead(200, { 'content-encoding': 'gzip' })
        .end(gzipSync(Buffer.alloc(5_000_000)));
    open = setInterval(() => response.write('x'.repeat(10_000)), 1);
    response.once('close', () => clearInterval(open));
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterEach(async () => {
  clearInterval(open);
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
});

const LIMITS = { within: 2_000, most: 100_000 };
it('takes what is small', async () => {
  const { status, bytes } = await boundedFetch(`${origin}/small`, {}, LIMITS);
  expect([status, Buffer.from(bytes).toString()]).toEqual([200, 'small']);
});
it.each([
  ['an answer without end', '/endless', /larger than/],
  ['a few bytes that unpack to many', '/packed', /larger than/],
  ['a redirect', '/elsewhere', /fetch failed/],
])('does not take %s', async (_, path, why) => {
  await expect(boundedFetch(origin + path, {}, LIMITS)).rejects.toThrow(why);
});
it('does not wait for ever', async () => {
  await expect(boundedFetch(`${origin}/silent`, {}, { ...LIMITS, within: 50 })).rejects.toThrow(/timeout/i);
});
