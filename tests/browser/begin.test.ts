import { spawnSync } from 'node:child_process';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { type FurtherServer, furtherServer } from '../application/further-server.ts';
import { running } from '../application/running.ts';
import { freshDatabase } from '../integration/fresh-database.ts';
import { accessFaults, DESK, openBrowser, settled } from './desk.ts';

const ADMIN = { name: 'Basil Orme', email: 'basil@quillmere.example', password: 'bell-tag-begins' };

let browser: Browser;
let context: BrowserContext;
let page: Page;
let server: FurtherServer;
let url: string;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ url, drop } = await freshDatabase());
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await server?.stop();
  await drop?.();
});

/** As `npm start -- --empty` prepares the database. @returns what it prints. */
function prepare(): string {
  const { stdout, status } = spawnSync('node', ['dist/prepare.mjs'], {
    env: { ...process.env, DATABASE_URL: url, BELLTAG_SECRET: running().secret, BELLTAG_DEMO: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  expect(status).toBe(0);
  return stdout.toString();
}

const save = async (path: string, data: object): Promise<any> => {
  const reply = await page.request.post(path, { data, headers: { origin: server.origin } });
  expect([path, reply.status(), reply.ok() ? '' : await reply.text()]).toEqual([
    path,
    expect.toBeOneOf([200, 201]),
    '',
  ]);
  return reply.json();
};
const enter = (table: string, cells: object) =>
  save(`/api/stockroom/${table}`, { edits: [{ key: null, cells }], drops: [] });
const missing = async (): Promise<string[]> => {
  await page.goto('/today');
  const steps = page
    .getByRole('region', { name: 'Before the first price can be sent' })
    .getByRole('listitem');
  return (await steps.allInnerTexts())
    .filter((text) => !/^(done|if needed)/.test(text))
    .map((text) => text.split('\n')[1]!.replace(/\s*from a file$/, ''));
};

test('an installation begins with a code, a currency and a store, and sends its first price', async () => {
  prepare();
  // A code is made at each start; the one before is good no more.
  const { firstCode } = JSON.parse(prepare()) as { firstCode: string };
  server = await furtherServer({ DATABASE_URL: url, BELLTAG_DEMO: '0', BELLTAG_JOBS: '1' });
  context = await browser.newContext({ viewport: DESK, baseURL: server.origin, reducedMotion: 'reduce' });
  context.setDefaultTimeout(45_000);
  page = await context.newPage();

  await page.goto('/');
  await page.waitForURL('**/begin');
  expect(await accessFaults(page)).toEqual([]);
  await page.getByLabel('The code').fill('AAAAA-AAAAA-AAAAA-AAAAA');
  await page.getByLabel('Your name').fill(ADMIN.name);
  await page.getByLabel('E-mail').fill(ADMIN.email);
  await page.getByLabel(/A password/).fill(ADMIN.password);
  await page.getByLabel('The same once more').fill('something else');
  await page.getByRole('button', { name: 'Begin' }).press('Enter');
  await page.getByText('The two are not the same.').waitFor();
  await page.getByLabel('The same once more').fill(ADMIN.password);
  await page.getByRole('button', { name: 'Begin' }).press('Enter');
  await page.getByText(/that is not the code/i).waitFor();
  await page.getByLabel('The code').fill(firstCode.toLowerCase());
  await page.getByRole('button', { name: 'Begin' }).press('Enter');

  await page.getByRole('heading', { name: 'Begin your chain' }).waitFor();
  expect(await accessFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Begin the chain' }).press('Enter');
  await page.getByText('This is needed.').first().waitFor();
  await page.getByLabel(/Currency/).selectOption('EUR');
  await page.getByRole('textbox', { name: 'Name' }).fill('First Market');
  await page.getByLabel(/Id, as/).fill('m1');
  await page.getByLabel('Its clock').selectOption('Europe/Madrid');
  await page.getByRole('button', { name: 'Begin the chain' }).press('Enter');
  await page.waitForURL('**/today');
  expect(await accessFaults(page)).toEqual([]);

  // What is missing is told until it is there.
  expect(await missing()).toEqual([
    'Groups of goods',
    'Goods with a price',
    'Somebody else who plans',
    'Terminals',
    'A key for a terminal',
    'The first prices sent',
  ]);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Groups of goods' })
    .getByRole('link', { name: 'from a file' })
    .click();
  await settled(page);
  await expect.poll(() => page.getByLabel('What the file holds').inputValue()).toBe('nodes');
  await enter('nodes', { id: 'teas', name: 'Teas' });
  await enter('items', { sku: 'T1', name: 'Mint tea', node: 'teas' });
  await enter('prices', { sku: 'T1', price: '2.50' });
  await enter('terminals', { id: 'm1-1', store: 'm1' });
  const invited = { name: 'Ines Calloway', email: 'ines@quillmere.example', role: 'planner', costs: true };
  await save('/api/people', { ...invited, stores: [] });
  expect(await missing()).toEqual(['A key for a terminal', 'The first prices sent']);
  await page.getByRole('link', { name: 'A key for a terminal' }).click();
  await settled(page);
  await page.getByRole('link', { name: 'm1-1' }).click();
  await settled(page);
  await page.getByRole('button', { name: 'New key' }).press('Enter');
  await page.getByRole('button', { name: 'Give it a new key' }).press('Enter');
  await page.getByText(/it is shown this once/).waitFor();
  const key = await page.locator('main code').textContent();
  await page.goto('/send');
  await settled(page);
  const send = page.getByRole('button', { name: /^Send to / });
  await send.waitFor();
  // It is told from when the review is there until the plan was looked through; a press meanwhile asks first.
  await page.getByText('Looking through the plan for what may be wrong').waitFor({ state: 'detached' });
  await send.press('Enter');
  await page
    .getByRole('status')
    .getByText(/were sent|was sent|price file \d+/)
    .first()
    .waitFor();

  const file = await fetch(`${server.origin}/api/till/price-file`, {
    headers: { authorization: `Bearer ${key}` },
  });
  const { content } = (await file.json()) as { content: string };
  expect(JSON.parse(content).plan.items).toMatchObject([{ sku: 'T1', prices: [{ price: '2.50' }] }]);
  await page.goto('/today');
  await expect.poll(() => page.getByText('Before the first price can be sent').count()).toBe(0);
});

test('once it has begun no code is printed and nobody begins it again', async () => {
  expect(prepare()).toBe('');
  const stranger = await browser.newContext({ baseURL: server.origin });
  const other = await stranger.newPage();
  await other.goto('/begin');
  await other.waitForURL('**/sign-in**');
  const first = { code: 'AAAAA', name: 'X', email: 'x@quillmere.example', password: ADMIN.password };
  const again = await other.request.post('/api/begin/administrator', {
    data: first,
    headers: { origin: server.origin },
  });
  expect(again.status()).toBe(403);
  const store = { id: 'm2', name: 'Second', timeZone: 'Europe/Madrid' };
  const chain = await page.request.post('/api/begin/chain', {
    data: { currency: 'USD', store },
    headers: { origin: server.origin },
  });
  expect(chain.status()).toBe(409);
  await page.goto('/begin');
  await page.waitForURL('**/today');
  await stranger.close();
});
