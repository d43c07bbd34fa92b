import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { program } from '../application/client.ts';
import { accessFaults, openBrowser, PHONE, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const PRICE = '/api/v1/price?store=s004&item=Q103453&at=2027-03-06T09:00';

test('another program is let in by a key, reads what it may ask, is told what happens, and is let in no more', async () => {
  const { page, complaints } = await sitDown(browser, 'basil');
  await page.goto('/stockroom/people');
  await settled(page);
  const programs = page.getByRole('region', { name: 'Other programs' });
  await programs.getByRole('button', { name: 'A key for a program' }).press('Enter');
  const form = programs.getByRole('form', { name: 'A key for a program' });
  await form.getByRole('button', { name: 'Make the key' }).press('Enter');
  await form.getByText(/is empty/).waitFor();
  await form.getByLabel(/^Name/).fill('The web shop');
  await form.getByRole('checkbox', { name: 'plans' }).press('Space');
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  await form.getByRole('button', { name: 'Make the key' }).press('Enter');
  const shown = programs.getByRole('status').filter({ hasText: 'It is shown this once' });
  const key = (await shown.locator('p').nth(1).textContent())!;
  expect((await program(key).get(PRICE)).status).toBe(200);
  await shown.getByRole('button', { name: 'I have it' }).press('Enter');
  // Others have made keys of their own.
  const shop = programs.getByRole('listitem').filter({ hasText: 'The web shop' });
  await shop.getByText(/looks, plans; told of all stores, no costs/).waitFor();

  await programs.getByRole('link', { name: 'What they may ask' }).click();
  await page.getByRole('heading', { name: 'For other programs' }).waitFor();
  await settled(page);
  const told = page.getByRole('region', { name: 'Programs that are told' });
  await told.getByRole('textbox', { name: 'Address' }).fill('http://shop.quillmere.example/hook');
  await told.getByRole('button', { name: 'Tell this address' }).press('Enter');
  await told.getByText(/not sealed on its way/).waitFor();
  await told.getByRole('textbox', { name: 'Address' }).fill('http://127.0.0.1:9/hook');
  await told.getByRole('button', { name: 'Tell this address' }).press('Enter');
  await told.getByText(/whsec_/).waitFor();
  const address = told.getByRole('listitem').filter({ hasText: '127.0.0.1:9' });
  await address.getByText('took nothing yet').waitFor();
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  await address.getByRole('button', { name: /nothing more/ }).press('Enter');
  await told.getByText('http://127.0.0.1:9/hook is told nothing more.').waitFor();

  await page.setViewportSize(PHONE);
  await page.goto('/stockroom/people');
  await settled(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(PHONE.width);
  await programs.getByRole('button', { name: 'Let The web shop in no more' }).press('Enter');
  await programs.getByText('The web shop is let in no more.').waitFor();
  expect((await program(key).get(PRICE)).status).toBe(401);
  expect(complaints.filter((line) => !line.includes('422'))).toEqual([]);
  await page.context().close();
});
