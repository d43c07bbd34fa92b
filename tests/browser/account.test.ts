import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { accessFaults, openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

test('somebody sees where they are signed in, signs out at the other desk, and mistypes a new password', async () => {
  const other = await sitDown(browser, 'odile');
  const { page, complaints } = await sitDown(browser, 'odile');
  await page.goto('/today');
  await settled(page);
  await page
    .getByRole('complementary')
    .getByRole('link', { name: /^Odile/ })
    .click();
  await settled(page);
  const places = page.getByRole('region', { name: 'Where you are signed in' });
  await places.getByText('this one').waitFor();
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  await places.getByRole('button', { name: 'Sign out everywhere else' }).press('Enter');
  await places
    .getByRole('status')
    .getByText(/^Signed out at/)
    .waitFor();
  await expect.poll(() => places.getByRole('listitem').count()).toBe(1);
  await other.page.goto('/plan');
  await other.page.waitForURL(/\/sign-in\?next=%2Fplan/);

  const form = page.getByRole('form', { name: 'Another password' });
  await form.getByLabel('The one that holds now').fill('quillmere-demo');
  await form.getByLabel('The new one', { exact: true }).fill('a-longer-one-of-mine');
  await form.getByLabel('The new one once more').fill('a-longer-one-of-mina');
  await form.getByLabel('The new one once more').press('Enter');
  await form
    .getByRole('alert')
    .getByText(/are not the same/)
    .waitFor();
  await form.getByLabel('The one that holds now').fill('no-password-of-mine');
  await form.getByLabel('The new one once more').fill('a-longer-one-of-mine');
  await form.getByRole('button', { name: 'Change it' }).press('Enter');
  await form
    .getByRole('alert')
    .getByText(/that is not your password/)
    .waitFor();
  // What was typed stays.
  await expect
    .poll(() => form.getByLabel('The new one', { exact: true }).inputValue())
    .toBe('a-longer-one-of-mine');
  expect(complaints.filter((line) => !line.includes('422'))).toEqual([]);
  await page.context().close();
});
