import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { running } from '../application/running.ts';
import { accessFaults, openBrowser, openPart, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

test('a price change asks for a code and is given so often; its page tells how often it was', async () => {
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/plan/new');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Teas by a code');
  await openPart(page, /^Goods:/);
  await page.getByRole('combobox', { name: 'Goods' }).fill('teas');
  await page.getByRole('option', { name: /^teas/i }).first().click();
  await page.keyboard.press('Escape');
  await openPart(page, /^Codes:/);
  await page.getByLabel(/Only with one of these codes/).fill('TEA-TIME');
  await page.getByLabel('At most so many receipts in all').fill('3');
  await page.getByLabel('At most so many receipts a code').fill('2');
  await page.getByLabel('These limits count').selectOption('anew each week, from Monday');
  expect(await accessFaults(page, { within: '[data-panel]' })).toEqual([]);
  await page.keyboard.press('Escape');
  await page
    .getByText('with a code, at most 2 times a code each week, at most 3 times in all each week')
    .waitFor();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByText('Saved.').waitFor();
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const { promotion } = await (await page.request.get(`/api/promotions/${id}`)).json();
  expect(promotion).toMatchObject({ codes: ['TEA-TIME'], uses: { inAll: 3, perCode: 2, every: 'week' } });
  const uses = page.getByRole('region', { name: 'How often it was used' });
  await uses.getByText('0 of 3 receipts in all this week.').waitFor();
  await uses.getByText('TEA-TIME: 0 of 2 receipts of this code this week.').waitFor();
  await uses.getByText('No receipt has used it yet.').waitFor();
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('a basket at a till is paid or left standing, by the keys', async () => {
  const { page } = await sitDown(browser, null);
  const basket = `${running().tillPage}/till/s003-1/basket`;
  await page.goto(basket);
  await page.getByLabel('SKU or barcode').fill('Q100042');
  await page.keyboard.press('Enter');
  await page.getByRole('status').getByText('EUR').waitFor();
  const name = new URL(page.url()).searchParams.get('basket');
  // The same basket as long as something is put into it, another one after it.
  await page.getByLabel('SKU or barcode').fill('Q103453');
  await page.keyboard.press('Enter');
  await page.waitForURL('**add=Q103453**');
  expect(new URL(page.url()).searchParams.get('basket')).toBe(name);
  await page.getByRole('button', { name: 'Paid' }).press('Enter');
  await page.waitForURL(basket);
  await page.getByText('Nothing in it yet.').waitFor();
  await page.context().close();
});
