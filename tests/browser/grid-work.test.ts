import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, openBrowser, PHONE, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const DAY = 86_400_000;
const inDays = (days: number) => new Date(Date.now() + days * DAY).toISOString().slice(0, 10);

const sheetOf = (page: Page) => page.getByRole('grid', { name: 'Prices of goods by stores' });
const activeIn = (page: Page) => sheetOf(page).locator('[data-active]');

test('what a price change does to a week is seen at once: which goods, in which stores, from what to what', async () => {
  const all = (await (await as('ines')).get('/api/choices')).body.stores;
  const stores = all
    .filter(({ zone }: any) => zone === all[0].zone)
    .slice(0, 3)
    .map(({ id }: any) => id);
  const teas = {
    ...change('grid-teas', {
      when: { from: `${inDays(210)}T09:00`, to: `${inDays(217)}T20:00` },
      priority: 1,
      where: { stores },
    }),
    name: 'Teas by the sea',
    offer: { kind: 'priceChange', items: { node: 'teas' }, formula: { setTo: '0.77' } },
  };
  await saveApproved(teas);
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto(`/check?at=${inDays(211)}T10:00`);
  await settled(page);
  await page.getByRole('button', { name: /all stores/ }).waitFor();
  await page.getByRole('combobox', { name: 'Group of goods' }).selectOption('teas');
  await page.getByLabel('Held against').selectOption('another date');
  await page.getByLabel('The other date and hour').fill(`${inDays(209)}T10:00`);
  const only = page.getByRole('checkbox', { name: /cost something else/ });
  await only.check();
  const sheet = sheetOf(page);
  await sheet.getByRole('columnheader', { name: '3 stores' }).waitFor();
  await sheet.focus();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('End');
  const changed = activeIn(page);
  // Cells are asked for once they are seen.
  await changed.filter({ hasText: /0[.,]77$/ }).waitFor();
  await expect.poll(() => changed.textContent()).toMatch(/was .+0[.,]77$/);
  const story = page.getByRole('status').filter({ hasText: 'through Teas by the sea' });
  await expect.poll(() => story.textContent()).toMatch(/, in .+, .+, .+: 0[.,]77 through/);
  // Opened, each of the stores has a column of its own with the same prices.
  await sheet.getByRole('button', { name: '3 stores' }).press('Enter');
  const heads = await sheet.getByRole('columnheader').allTextContents();
  expect(heads.slice(-3)).not.toContain('3 stores');
  // What the link says is shown to whoever opens it.
  await page.waitForURL(/against=date.*changed=1/);
  await page.reload();
  await sheet.getByRole('columnheader', { name: '3 stores' }).waitFor();
  await expect.poll(() => only.isChecked()).toBe(true);
  expect(await accessFaults(page)).toEqual([]);
  await sheet.focus();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/check\/price\?item=.+where=/);
  await page.getByText('Teas by the sea').first().waitFor();
  expect(complaints).toEqual([]);
});

test('the whole chain is one plane: to its far end by keys, and out to a spreadsheet as it is', async () => {
  const { page, complaints } = await sitDown(browser, 'rufus');
  await page.goto('/check');
  const sheet = sheetOf(page);
  await sheet.getByRole('gridcell', { name: /\d/ }).first().waitFor();
  const rows = Number(await sheet.getAttribute('aria-rowcount')) - 1;
  expect(rows).toBeGreaterThan(3000);
  await sheet.focus();
  await page.keyboard.press('Control+End');
  await activeIn(page).getByText(/\d/).waitFor();
  const last = await sheet.locator(`[role=row][aria-rowindex="${rows + 1}"]`).textContent();
  const told = await (await as('rufus')).get('/api/grid/file?at=2027-03-01T09:00&kind=csv');
  expect(told.status).toBe(200);
  const lines = String(told.body).trim().split('\r\n');
  expect(lines[0]!.split(',').length).toBe(3 + 48);
  expect(last).toContain(lines.at(-1)!.split(',')[1]);
  await sheet.evaluate((element) => element.scrollTo(0, 0));
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'XLSX' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('prices.xlsx');
  expect(complaints).toEqual([]);
});

test('in the aisle a store’s people look up the prices of their own store', async () => {
  const { page } = await sitDown(browser, 'tove', PHONE);
  await page.goto('/check?q=throat');
  const sheet = sheetOf(page);
  await sheet
    .getByRole('gridcell', { name: /\d[.,]\d\d/ })
    .first()
    .waitFor();
  await expect.poll(() => sheet.getByRole('columnheader').count()).toBe(2);
  const box = await sheet
    .getByRole('gridcell', { name: /\d[.,]\d\d/ })
    .first()
    .boundingBox();
  expect(box!.x + box!.width).toBeLessThanOrEqual(PHONE.width);
});

test('prices over time are walked through by keys, from step to step and from store to store', async () => {
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/check/timeline');
  await settled(page);
  const box = page.getByRole('combobox', { name: 'Find an item' });
  await box.fill('Q103453');
  await box.press('Enter');
  const lanes = page.getByRole('region', { name: 'Prices over time' });
  await lanes.getByRole('button').first().waitFor();
  await expect.poll(() => lanes.getByRole('list').count()).toBeGreaterThan(1);
  await lanes.getByRole('button', { pressed: true }).focus();
  await page.keyboard.press('ArrowRight');
  const focused = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
  const first = await focused();
  expect(first).toMatch(/ through /);
  await page.keyboard.press('ArrowDown');
  expect(await focused()).toMatch(/ through /);
  const table = page.getByRole('region', { name: 'Its steps' });
  const chosen = table.locator('tr[aria-selected=true]');
  await expect.poll(() => chosen.count()).toBe(1);
  expect(await accessFaults(page, { except: ['target-size'] })).toEqual([]);
  await chosen.getByRole('link').first().click();
  await page.waitForURL(/\/check\/price\?/);
  await page.getByText('Before and after').waitFor();
  expect(complaints).toEqual([]);
});
