import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { running } from '../application/running.ts';
import { accessFaults, atRest, openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const PASSWORD = 'a long enough word';

test('somebody is invited, sets a password by the link, signs in, and is let in no more', async () => {
  const { page, complaints } = await sitDown(browser, 'basil');
  await page.goto('/stockroom');
  await page.getByRole('link', { name: 'People', exact: true }).click();
  await settled(page);
  await page.getByRole('button', { name: 'Invite somebody' }).press('Enter');
  const form = page.getByRole('form', { name: 'Invite somebody' });
  await form.getByLabel('Name').fill('Wim Sallow');
  await form.getByLabel('E-mail').fill('wim@quillmere');
  await form.getByRole('radio', { name: /^store / }).check();
  await form.getByRole('button', { name: 'Send the invitation' }).press('Enter');
  // What is wrong stands where it is wrong; what was typed stays.
  await form.getByRole('alert').first().waitFor();
  await form.getByLabel('E-mail').fill('wim@quillmere.example');
  await form.getByRole('button', { name: 'Send the invitation' }).press('Enter');
  await form.getByText('the stores that they run').waitFor();
  await form.getByLabel('Find a store').fill('corrie sound arc');
  await form.getByRole('checkbox', { name: /Corrie Sound Arcade/ }).check();
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  await form.getByRole('button', { name: 'Send the invitation' }).press('Enter');
  await page.getByText('Wim Sallow was sent a link').waitFor();
  await page.getByRole('link', { name: 'Letters that went out' }).click();
  const link = page.getByRole('listitem').filter({ hasText: 'to wim@quillmere.example' }).getByRole('link');
  const path = new URL((await link.first().getAttribute('href'))!);
  expect(path.origin).toBe(running().origin);

  const theirs = await browser.newContext({ baseURL: running().origin });
  const own = await theirs.newPage();
  await own.goto(path.pathname + path.search);
  await own.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await own.getByLabel('The same once more').fill(`${PASSWORD}s`);
  await own.getByRole('button', { name: 'Set it' }).press('Enter');
  await own.getByText('The two are not the same.').waitFor();
  await own.getByLabel('The same once more').fill(PASSWORD);
  await own.getByRole('button', { name: 'Set it' }).press('Enter');
  await own.getByText('Your password is set.').waitFor();
  expect(await accessFaults(own)).toEqual([]);
  await own.getByRole('link', { name: 'To the sign-in' }).click();
  await own.getByLabel('E-mail').fill('wim@quillmere.example');
  await own.getByLabel('Password').fill(PASSWORD);
  await own.getByLabel('Password').press('Enter');
  await own.waitForURL('**/today');
  await own.getByRole('button', { name: 'Look where: Corrie Sound Arcade' }).waitFor();

  await page.goto('/stockroom/people');
  await settled(page);
  // Who plans may be kept to the goods of some departments, which their row says.
  await page.getByRole('button', { name: 'Change Wim Sallow' }).press('Enter');
  const changed = page.getByRole('form', { name: 'Change Wim Sallow' });
  await changed.getByRole('radio', { name: /^planner / }).check();
  await changed.getByRole('checkbox', { name: 'Sun care', exact: true }).check();
  await changed.getByText('Goods that they may change: of Sun care alone').waitFor();
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  await changed.getByRole('button', { name: 'Keep this' }).press('Enter');
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Wim Sallow' })
    .getByText(/changes goods of Sun care alone/)
    .waitFor();
  await page.getByRole('button', { name: 'Let Wim Sallow in no more' }).press('Enter');
  await page.getByText('Wim Sallow is let in no more').waitFor();
  await own.goto('/today');
  await own.waitForURL('**/sign-in**');
  // From a day on a second step is asked of everybody; whoever has none is named.
  const asked = page.getByRole('region', { name: 'A second step' });
  await asked.getByLabel('Of whom').selectOption('everybody');
  await asked.getByLabel('From', { exact: true }).fill('2098-12-30');
  await asked.getByText(/^Without one so far:.*Ines/).waitFor();
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  await asked.getByRole('button', { name: 'Keep it so' }).press('Enter');
  await asked.getByText(/^Kept: asked from .*30/).waitFor();
  await page.reload();
  await settled(page);
  await expect.poll(() => asked.getByLabel('Of whom').inputValue()).toBe('everybody');
  await asked.getByLabel('Of whom').selectOption('nobody');
  await asked.getByRole('button', { name: 'Keep it so' }).press('Enter');
  await asked.getByText('Kept.', { exact: true }).waitFor();
  // Nobody can shut out the last who could let them in again.
  await expect.poll(() => page.getByRole('button', { name: 'Let Basil Wyndle in no more' }).count()).toBe(0);
  await atRest(page);
  expect(complaints.filter((line) => !line.includes('422'))).toEqual([]);
  await theirs.close();
  await page.context().close();
});
