import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as } from '../application/client.ts';
import { type TestDirectory, testDirectory } from '../application/directory.ts';
import { type FurtherServer, furtherServer } from '../application/further-server.ts';
import { accessFaults, openBrowser } from './desk.ts';

let browser: Browser;
let directory: TestDirectory;
let server: FurtherServer;
beforeAll(async () => {
  [browser, directory] = await Promise.all([openBrowser(), testDirectory()]);
  // A chain of the demo needs no first administrator, whichever tests ran before.
  server = await furtherServer({ ...directory.told, BELLTAG_DEMO: '1' });
});
afterAll(async () => {
  await browser.close();
  directory.close();
  await server.stop();
});

test('somebody comes in by the directory of the house, or reads why not', async () => {
  const email = 'vera@quillmere.example';
  const said = { name: 'Vera Holm', email, role: 'planner', costs: true, stores: [] };
  const context = await browser.newContext({ baseURL: server.origin });
  const page = await context.newPage();
  await page.goto('/plan/calendar');
  await page.waitForURL('**/sign-in**');
  const button = page.getByRole('button', { name: "Sign in by Quillmere's directory" });
  directory.sitting = { sub: 'v', email, email_verified: true, name: 'Vera' };
  await button.press('Enter');
  await page
    .getByRole('alert')
    .getByText(/not here yet/)
    .waitFor();
  expect(await accessFaults(page)).toEqual([]);
  expect((await (await as('basil')).send('POST', '/api/people', said)).status).toBe(201);
  await page.goto('/plan/calendar');
  await button.press('Enter');
  await page.waitForURL('**/plan/calendar');
  await page.getByRole('link', { name: 'Vera Holm' }).first().waitFor();
  await context.clearCookies();
  directory.sitting = null;
  await page.goto('/sign-in');
  await button.press('Enter');
  await page
    .getByRole('alert')
    .getByText(/said no, or you stopped there/)
    .waitFor();
  await context.close();
});
