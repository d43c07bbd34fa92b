import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as } from '../application/client.ts';
import { running } from '../application/running.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, openBrowser, openPart, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

/** Looks somebody up on the page of shoppers. */
async function lookUp(page: Page, text: string): Promise<void> {
  await page.goto('/stockroom/shopper');
  await settled(page);
  await page.getByLabel('A name, a number or a card').fill(text);
  await page.keyboard.press('Enter');
}

test('somebody asks on the page of their own, and is let in with a word, by the keys', async () => {
  const context = await browser.newContext({ baseURL: running().origin });
  const guest = await context.newPage();
  await guest.goto('/join?kind=trade');
  await settled(guest);
  await guest.getByLabel('Your name').fill('Orla Pennick');
  await guest.getByLabel('Your e-mail').fill('orla');
  await guest.getByRole('button', { name: 'Ask for Trade customers' }).press('Enter');
  await guest.getByRole('alert').first().waitFor();
  await guest.getByLabel('Your e-mail').fill('orla.pennick@letters.example');
  await guest.getByLabel('Why we should let you in').fill('Baby goods by the box.');
  await guest.getByRole('button', { name: 'Ask for Trade customers' }).press('Enter');
  await guest.getByText(/A letter with a code went to orla/).waitFor();
  const letters = String((await (await as('basil')).get('/stockroom/letters')).body);
  const code = /\b\d{6}\b/.exec(letters.slice(letters.indexOf('to orla.pennick')))![0];
  await guest.getByLabel('Code out of the letter').fill('1');
  await guest.keyboard.press('Enter');
  await guest.getByText(/not the code of the newest letter/).waitFor();
  await guest.getByLabel('Code out of the letter').fill(code);
  await guest.keyboard.press('Enter');
  await guest.getByText(/Your request is with us, Orla Pennick/).waitFor();
  expect(await accessFaults(guest)).toEqual([]);
  await context.close();

  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/today');
  await page.getByRole('link', { name: /shoppers? asks? to be let in/ }).press('Enter');
  await settled(page);
  await page.getByText('“Baby goods by the box.”').waitFor();
  await page.getByLabel('A word to Orla Pennick').fill('Good to have you.');
  await page.getByRole('button', { name: 'Let Orla Pennick in', exact: true }).press('Enter');
  await page.getByText(/Let in, and written to:/).waitFor();
  await page.getByRole('link', { name: /^number \d+/ }).press('Enter');
  await page.getByRole('heading', { name: 'Orla Pennick' }).waitFor();
  await settled(page);
  await page.getByText('Trade through Trade customers').waitFor();
  expect(await accessFaults(page)).toEqual([]);
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('somebody is made known, given terms, looked through and forgotten', async () => {
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/stockroom/shopper');
  await settled(page);
  await page.getByRole('button', { name: 'Somebody new' }).press('Enter');
  const form = page.getByRole('form', { name: 'Somebody new' });
  await form.getByLabel(/^Name/).fill('Tilda Marrow');
  await form.getByRole('checkbox', { name: 'Students' }).press('Space');
  await form.getByLabel(/^Card that they hold/).fill('2750 0000 0001 7');
  await form.getByRole('button', { name: 'Make them known' }).press('Enter');
  await form.getByText(/is mistyped/).waitFor();
  await form.getByLabel(/^Card that they hold/).fill('');
  await form.getByRole('button', { name: 'Make them known' }).press('Enter');
  await page.getByText(/^299\d{13}$/).waitFor();
  await page.getByRole('link', { name: 'Tilda Marrow' }).press('Enter');
  await page.getByRole('heading', { name: 'Tilda Marrow' }).waitFor();
  await settled(page);
  await page.getByText('The public ones: no price list is theirs.').waitFor();
  await page.getByLabel('Belongs to').selectOption({ label: 'Wrenfield Practice' });
  const kept = page.waitForResponse((reply) => reply.url().endsWith('/terms'));
  await page.getByRole('button', { name: 'Keep these terms' }).press('Enter');
  await page.getByText('The terms change prices: they wait for approval.').waitFor();
  const { waits } = await (await kept).json();
  const approved = { step: 'approve' };
  expect((await (await as('rufus')).send('POST', `/api/waiting-entries/${waits}`, approved)).status).toBe(
    200,
  );
  await page.reload();
  await settled(page);
  await page.getByText('Wrenfield Practice through Wrenfield Practice').waitFor();
  // Through their eyes: the lens, a price, and the list that makes it.
  await page.getByRole('link', { name: 'A basket as they pay it' }).press('Enter');
  await page.getByRole('button', { name: /^Look as whom: ?Tilda Marrow|Tilda Marrow \(\d+\)/ }).waitFor();
  await page.goto(`${page.url()}&lines=Q100042*1`);
  await page.getByText(/by the price list .+: not the public price/).waitFor();
  await lookUp(page, 'tilda');
  await page.getByRole('link', { name: 'Tilda Marrow' }).press('Enter');
  await page.getByRole('button', { name: 'Forget this person' }).press('Enter');
  await page.getByText(/says nothing of anybody then/).waitFor();
  await page.getByRole('button', { name: 'Forget them' }).press('Enter');
  await page.getByText(/Nothing is kept of \d+ any more/).waitFor();
  await lookUp(page, 'tilda');
  await page.getByText('Nobody by “tilda”.').waitFor();
  expect(complaints.filter((one) => !/422/.test(one))).toEqual([]);
  await page.context().close();
});

test('a promotion is for single shoppers and accounts by name', async () => {
  const draft = { ...change('for-single-ones'), name: 'For single ones', status: 'draft' };
  expect((await (await as('ines')).send('POST', '/api/promotions', { promotion: draft })).status).toBe(201);
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/plan/for-single-ones');
  await settled(page);
  await openPart(page, /^For whom|all shoppers/);
  const find = page.getByLabel('A name, a number or a card');
  await find.fill('wrenfield');
  await find.press('Enter');
  await page.getByRole('button', { name: /^Wrenfield Practice an account/ }).press('Enter');
  await find.fill('Alva Amberlee');
  await find.press('Enter');
  await page.getByRole('button', { name: /^Alva Amberlee Members/ }).press('Enter');
  await page.getByText(/^Alva Amberlee \(\d+\)$/).waitFor();
  await page.keyboard.press('Escape');
  await page
    .getByText(/the people of Wrenfield Practice and those with the number \d+/)
    .first()
    .waitFor();
  await page.keyboard.press('Control+s');
  await page.getByText('Saved.').waitFor();
  expect(complaints).toEqual([]);
  await page.context().close();
});
