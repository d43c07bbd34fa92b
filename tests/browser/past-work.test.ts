import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, atRest, openBrowser, PHONE, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const ITEM = 'Q103453';

test('a change is found in what was done, and what it did to prices; before it the plan is as it was', async () => {
  const before = new Date();
  await saveApproved({
    ...change('third-off-once', {
      priority: 1,
      when: { from: '2026-11-01T00:00' },
      where: { stores: ['s003', 's004'] },
    }),
    ...{
      name: 'A third off, once',
      offer: { kind: 'priceChange', items: { items: [ITEM] }, formula: { setTo: '0.33' }, mayRaise: true },
    },
  } as never);
  const rufus = await as('rufus');
  const { revision } = (await rufus.get('/api/promotions/third-off-once')).body;
  const { page, complaints } = await sitDown(browser, 'rufus');
  await page.goto('/check/history');
  await page.getByRole('navigation', { name: 'Views of Check' }).waitFor();
  const row = page
    .getByRole('listitem')
    .filter({ hasText: 'A third off, once' })
    .filter({ hasText: 'approved by Rufus Tamsin' });
  await row.first().getByRole('link', { name: 'what it did to prices' }).first().click();
  await page.getByText('The plan as it was known on').waitFor();
  const sheet = page.getByRole('grid', { name: 'Prices of goods by stores' });
  await sheet.getByText('0.33').first().waitFor();
  await page.getByText(/^1 item in 48 stores/).waitFor();
  await expect.poll(() => page.getByRole('checkbox', { name: /cost something else/ }).isChecked()).toBe(true);
  expect(await accessFaults(page)).toEqual([]);

  // The price of today, through the lens as it was known before.
  await rufus.send('PATCH', '/api/promotions/third-off-once', { status: 'paused', revision });
  await page.goto(`/check/price?item=${ITEM}&where=s003`);
  await settled(page);
  const price = page.getByTestId('price');
  await price.waitFor();
  await expect.poll(() => price.textContent()).not.toContain('0.33');
  await page.getByRole('button', { name: /^Look as known when/ }).press('Enter');
  const field = page.getByLabel('As it was planned on');
  await field.fill('2001-01-01T09:00');
  await page.getByRole('button', { name: 'Look back' }).press('Enter');
  await page.getByRole('alert').filter({ hasText: 'is not on record: it is on record since' }).waitFor();
  await page.goto(`/check/price?item=${ITEM}&where=s003&known=${encodeURIComponent(before.toISOString())}`);
  await settled(page);
  await page.getByText('The plan as it was known on').waitFor();
  await price.waitFor();
  await expect.poll(() => price.textContent()).not.toContain('0.33');
  await page.getByRole('link', { name: 'As it is known now' }).click();
  await page.waitForURL((url) => !url.searchParams.has('known'));
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('a complaint about a till is answered on one page, on the phone too', async () => {
  const { page, complaints } = await sitDown(browser, 'tove', PHONE);
  await page.goto('/send/terminal/s001-1');
  await page.getByRole('link', { name: 'What did it ring?' }).click();
  await settled(page);
  await page.getByPlaceholder('Barcode, SKU or name').fill(ITEM);
  await page.getByRole('option', { name: new RegExp(ITEM) }).click();
  await page.getByRole('heading', { name: 'What it held' }).waitFor();
  await page.getByText(/It held price file \d+, as it said/).waitFor();
  const beside = page.getByRole('table').filter({ hasText: 'Rung by the till' });
  await expect
    .poll(() => beside.getByRole('row').allInnerTexts())
    .toEqual([
      expect.stringContaining('Price'),
      expect.stringMatching(/Rung by the till\s+\d/),
      expect.stringMatching(/The plan, as known then\s+\d/),
      expect.stringMatching(/The plan, as known now\s+\d/),
    ]);
  await atRest(page);
  expect(await accessFaults(page)).toEqual([]);
  // The address says it all: whoever gets the link sees the same.
  expect(new URL(page.url()).searchParams.get('item')).toBe(ITEM);
  // A deal takes more than one: the same file rings a whole basket.
  await page.getByRole('link', { name: 'Ring a whole basket by it' }).click();
  await settled(page);
  await page.getByText(/by the price file that s001-1 held then/).waitFor();
  await page.getByText('To pay, EUR').waitFor();
  await atRest(page);
  expect(new URL(page.url()).searchParams.get('till')).toBe('s001-1');
  expect(await accessFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'By the plan' }).click();
  await page.waitForURL((url) => !url.searchParams.has('till'));
  // Nobody can say what it held before it was there.
  await page.goto(`/check/rung?terminal=s001-1&item=${ITEM}&at=2020-01-01T09:00`);
  await settled(page);
  await page.getByText('What it rang is not on record.').waitFor();
  expect(complaints).toEqual([]);
  await page.context().close();
});
