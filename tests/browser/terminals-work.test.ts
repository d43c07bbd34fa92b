import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { shortMoment, timeIn } from '../../src/ui/writing/index.ts';
import { as } from '../application/client.ts';
import { running } from '../application/running.ts';
import { askTill, controlTill } from '../application/till.ts';
import { until } from '../application/until.ts';
import { accessFaults, openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

test('a terminal is found by its store, and tells what it holds and what it said so far', async () => {
  const { page, complaints } = await sitDown(browser, 'rufus');
  await page.goto('/send');
  await settled(page);
  await page.getByRole('checkbox', { name: 'Show those without trouble too' }).check();
  const table = page.getByRole('table', { name: 'Terminals and what they hold' });
  await table.waitFor();
  await page.getByText(/^100 of 1\d\d are shown/).waitFor();
  await expect.poll(() => table.getByRole('row').count()).toBe(101);
  await page.getByRole('button', { name: /^Show \d+ more$/ }).press('Enter');
  await table.getByRole('row').nth(110).waitFor();
  expect(await accessFaults(page, { within: '#terminals' })).toEqual([]);
  await page.getByRole('searchbox', { name: 'Find a terminal or a store' }).fill('corrie sound arc');
  await page
    .getByRole('status')
    .getByText(/^3 in all$/)
    .waitFor();
  await expect
    .poll(() => table.getByRole('link').allInnerTexts())
    .toEqual(expect.not.arrayContaining([expect.not.stringMatching(/^s003-/)]));
  await table.getByRole('link', { name: 's003-1' }).click();
  await page.getByRole('heading', { name: 's003-1' }).waitFor();
  const main = page.getByRole('main');
  await main.getByText('What it said so far').waitFor();
  await expect.poll(() => main.textContent()).toMatch(/Corrie Sound Arcade.*holds price file \d+/s);
  // By the clock of its store, which it says: not by that of the server, nor of whoever looks.
  const minutes = [0, 1, 2].map((ago) =>
    timeIn('Europe/Lisbon', new Date(Date.now() - ago * 60_000).toISOString()),
  );
  const heard = await main.locator('dt', { hasText: 'Last heard of' }).locator('+ dd').textContent();
  expect(minutes.map((minute) => shortMoment(minute, minute))).toContain(heard);
  await page.goto('/send/terminal/no-such-terminal');
  await page.getByRole('heading', { name: 'There is no terminal “no-such-terminal” for you' }).waitFor();
  expect(complaints.filter((line) => !line.includes('404'))).toEqual([]);
  await page.context().close();
});

test('terminals are looked at by group and by store, and those of one place and one trouble alone', async () => {
  await controlTill('s002-1', { set: '1', clock: '2026-11-20T09:00', delay: '0' });
  const { page, complaints } = await sitDown(browser, 'rufus');
  await page.goto('/send');
  await settled(page);
  const listed = page.getByRole('table', { name: 'Terminals and what they hold' });
  const byGroup = page.getByRole('table', { name: 'Terminals by store group' });
  await byGroup.getByRole('button', { name: 'Mainland', exact: true }).press('Enter');
  await page
    .getByRole('status')
    .getByText(/Mainland/)
    .waitFor();
  await page.getByText('By store', { exact: true }).click();
  const byStore = page.getByRole('table', { name: 'Terminals by store', exact: true });
  await page.getByRole('button', { name: /^Show all \d+ stores$/ }).press('Enter');
  await byStore
    .getByRole('button', { name: /^Brackenford Old Town, (Wrong clock|Something wrong): 1$/ })
    .press('Enter');
  await page
    .getByRole('status')
    .getByText(/^1 Mainland, Brackenford Old Town, (wrong clock|something wrong)/)
    .waitFor();
  await expect.poll(() => listed.getByRole('link').allInnerTexts()).toEqual(['s002-1']);
  expect(await accessFaults(page, { within: '#terminals' })).toEqual([]);
  // What it was asked for comes back as a whole, with all others of the store.
  await page.getByRole('checkbox', { name: 'Show those without trouble too' }).press('Space');
  await listed.getByRole('link', { name: 's002-2' }).waitFor();
  await page.getByRole('button', { name: 'Look at all stores' }).press('Enter');
  await listed.getByText('Corrie Sound Arcade').first().waitFor();
  await controlTill('s002-1', { right: '1' });
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('a terminal is given a new key, which is shown, put into it and goes on', async () => {
  const { page, complaints } = await sitDown(browser, 'basil');
  await page.goto('/send/terminal/s034-1');
  await settled(page);
  await page.getByRole('button', { name: 'Have it look now' }).press('Enter');
  await page.getByText(/It was told to look/).waitFor();
  await page.getByRole('button', { name: 'New key' }).press('Enter');
  await page.getByText(/is sent nothing/).waitFor();
  await page.getByRole('button', { name: 'Give it a new key' }).press('Enter');
  await page.getByText(/it is shown this once/).waitFor();
  const key = await page.locator('main code').textContent();
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  await page.getByText(/^given (?!as the chain)/).waitFor();
  const till = await page.context().newPage();
  await till.goto(`${running().tillPage}/till/s034-1`);
  await till.getByLabel('Key').fill(key!);
  await till.getByRole('button', { name: 'Put it in' }).press('Enter');
  await until(
    () => askTill('s034-1'),
    ({ problem }) => problem === null,
  );
  await page.reload();
  await expect.poll(() => page.getByRole('main').textContent()).not.toContain(key);
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('what a store was sent goes out once more, after it was said what that does', async () => {
  const { page, complaints } = await sitDown(browser, 'rufus');
  const before = (await askTill('s003-1')).holds!;
  await page.goto('/send?where=s003');
  await settled(page);
  const files = page.getByRole('region', { name: 'Price files' });
  await files.getByText(/^Signed with key [0-9a-f]{16} since/).waitFor();
  // Keys are the administrator's.
  await expect
    .poll(() => files.getByRole('button').allInnerTexts())
    .toEqual(['Send anew to Corrie Sound Arcade', 'Send anew to all stores']);
  await files.getByRole('button', { name: 'Send anew to Corrie Sound Arcade' }).press('Enter');
  await files.getByText(/gets once more, and whole, what it was sent last/).waitFor();
  expect(await accessFaults(page, { within: 'section[aria-label="Price files"]' })).toEqual([]);
  await files.getByRole('button', { name: 'Leave it' }).press('Enter');
  await expect.poll(() => files.getByText(/gets once more/).count()).toBe(0);
  await files.getByRole('button', { name: 'Send anew to Corrie Sound Arcade' }).press('Enter');
  await files.getByRole('button', { name: 'Send anew', exact: true }).press('Enter');
  await files.getByText('Sent to 1 store.').waitFor();
  await until(
    () => askTill('s003-1'),
    ({ holds }) => holds !== null && holds > before,
  );
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('what goes out to all stores goes on where whoever pressed has gone to another page', async () => {
  const { page, complaints } = await sitDown(browser, 'rufus');
  const api = await as('rufus');
  const newest = async () => (await api.get('/api/send/terminals')).body.rollouts[0].id as number;
  const before = await newest();
  await page.goto('/send');
  await settled(page);
  await page.getByRole('button', { name: 'Send anew to all stores' }).press('Enter');
  const asked = page.waitForRequest('**/api/send/anew');
  await page.getByRole('button', { name: 'Send anew', exact: true }).press('Enter');
  await asked;
  await page.goto('/today');
  await settled(page);
  await until(newest, (number) => number > before);
  expect(complaints).toEqual([]);
  await page.context().close();
});
