import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { DEMO_PASSWORD } from '../../src/contracts/demo-people.ts';
import { emailOf } from '../application/running.ts';
import { until } from '../application/until.ts';
import { openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

/** A line on which scripts do not come before they are let through. */
async function slowLine(page: Page): Promise<() => void> {
  let letThrough = () => {};
  const through = new Promise<void>((resolve) => {
    letThrough = resolve;
  });
  await page.route('**/*.js', async (route) => {
    if (route.request().url().includes('/_astro/')) await through;
    await route.continue();
  });
  return letThrough;
}

test('what is pressed and typed before an island answers is done once it does, and once', async () => {
  const { page, complaints } = await sitDown(browser, 'ines');
  const asked: string[] = [];
  page.on('request', (request) => {
    if (request.url().includes('/outlook')) asked.push(request.url());
  });
  const letThrough = await slowLine(page);
  await page.goto('/plan/deal-005', { waitUntil: 'commit' });
  const brings = page.getByRole('region', { name: 'What it would bring' });
  const button = brings.getByRole('button', { name: 'What it would bring' });
  await button.press('Enter');
  await button.click();
  expect(asked).toEqual([]);
  letThrough();
  await brings.getByText(/^In 14 days it takes/).waitFor();
  expect(asked).toHaveLength(1);
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('what is typed before an island answers counts once it does', async () => {
  const { page, complaints } = await sitDown(browser, 'ines');
  const letThrough = await slowLine(page);
  await page.goto('/plan', { waitUntil: 'commit' });
  const find = page.getByRole('searchbox', { name: 'Find a promotion' });
  await find.pressSequentially('three for two: camomile');
  letThrough();
  await settled(page);
  await until(
    () => page.getByRole('row').count(),
    (rows) => rows === 2,
  );
  await expect.poll(() => find.inputValue()).toBe('three for two: camomile');
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('a password that is entered before the page listens goes into no address', async () => {
  const { page } = await sitDown(browser, null);
  const addresses: string[] = [];
  page.on('framenavigated', (frame) => addresses.push(frame.url()));
  const letThrough = await slowLine(page);
  await page.goto('/sign-in', { waitUntil: 'commit' });
  await page.getByLabel('E-mail').fill(emailOf('odile'));
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByLabel('Password').press('Enter');
  letThrough();
  await page.waitForURL('**/today**');
  expect(addresses.filter((address) => address.includes('?') && address.includes('password'))).toEqual([]);
  await page.context().close();
});
