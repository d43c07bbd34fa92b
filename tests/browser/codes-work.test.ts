import { readFileSync } from 'node:fs';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as } from '../application/client.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, openBrowser, openPart, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

test('single-use codes are thought out, sampled, made, listed, looked up and withdrawn, by the keys', async () => {
  const draft = { ...change('codes-at-desk'), name: 'Teas by letter', status: 'draft' };
  expect((await (await as('ines')).send('POST', '/api/promotions', { promotion: draft })).status).toBe(201);
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/plan/codes-at-desk');
  await settled(page);
  await openPart(page, /^Codes:/);
  await page.getByRole('checkbox', { name: /Or with a single-use code/ }).press('Space');
  await page.keyboard.press('Escape');
  await page.getByText('with a code').first().waitFor();
  await page.keyboard.press('Control+s');
  await page.getByText('Saved.').waitFor();
  const codes = page.getByRole('region', { name: 'Single-use codes' });
  await codes.getByText(/none yet, and without a code nobody gets it/).waitFor();
  await codes.getByRole('button', { name: 'Make codes' }).press('Enter');
  const form = page.getByRole('form', { name: 'A batch of codes' });
  await form.getByLabel('How many').fill('12');
  await form.getByLabel('Signs drawn for each').fill('4');
  await form.getByText(/That is too little: make them longer/).waitFor();
  await form.getByLabel('Signs drawn for each').fill('12');
  await form.getByLabel('A dash after every').fill('4');
  await form.getByLabel('Before them').fill('TEA-S');
  const sample = () => form.getByText(/^TEA-S\w{4}-\w{4}-\w{4}$/).allInnerTexts();
  await expect.poll(async () => (await sample()).length).toBe(5);
  const first = await sample();
  await form.getByRole('button', { name: 'Draw others' }).press('Enter');
  await expect.poll(async () => (await sample()).some((code) => first.includes(code))).toBe(false);
  await form.getByRole('button', { name: 'Make them' }).press('Enter');
  await form.getByText(/“S” is easily taken for another sign/).waitFor();
  expect(await accessFaults(page, { within: 'form[aria-label="A batch of codes"]' })).toEqual([]);
  await form.getByLabel('Before them').fill('TEA-');
  await form.getByLabel('The last day').fill('2027-12-31');
  await form.getByRole('button', { name: 'Make them' }).press('Enter');
  await codes.getByText(/12 codes, 0 used; good until/).waitFor();
  const taking = page.waitForEvent('download');
  await codes.getByRole('button', { name: /^Take the list as CSV/ }).press('Enter');
  const file = await (await taking).path();
  const lines = readFileSync(file, 'utf8').trim().split(/\r\n/);
  expect([lines.length, lines[0]]).toEqual([13, 'code']);
  await codes.getByText(/The list was taken by Ines Calloway/).waitFor();
  await codes.getByRole('button', { name: /^Another last day/ }).press('Enter');
  await codes.getByLabel(/^Last day of batch/).fill('');
  await codes.getByRole('button', { name: /^Let it be that day/ }).press('Enter');
  await codes.getByText(/12 codes, 0 used; good as long as the promotion/).waitFor();
  await codes.getByLabel('A code that somebody has').fill(lines[1]!.toLowerCase());
  await page.keyboard.press('Enter');
  await codes.getByText(/is a single-use code of Teas by letter, batch \d+: good\./).waitFor();
  await codes.getByRole('button', { name: 'Withdraw it' }).press('Enter');
  await codes.getByText(/12 codes, 0 used, 1 withdrawn/).waitFor();
  await codes.getByRole('button', { name: /^Withdraw all/ }).press('Enter');
  await codes.getByText(/there is no way back/).waitFor();
  await codes.getByRole('button', { name: /^Withdraw them/ }).press('Enter');
  await codes.getByText(/all withdrawn/).waitFor();
  // One refusal was asked for.
  expect(complaints.filter((one) => !/422/.test(one))).toEqual([]);
  await page.context().close();
});

test('a code that a shopper brings is looked up in the stockroom, by who may only look as well', async () => {
  const { page, complaints } = await sitDown(browser, 'odile');
  await page.goto('/stockroom/codes');
  await settled(page);
  await page
    .getByRole('row', { name: /Welcome code/ })
    .getByText(/611, 31 %/)
    .waitFor();
  const look = page.getByRole('region', { name: 'Look a code up' });
  await look.getByLabel('A code that somebody has').fill('welcome 10');
  await page.keyboard.press('Enter');
  await look.getByText(/is a shared code of Welcome code/).waitFor();
  expect(await look.getByRole('button', { name: 'Withdraw it' }).count()).toBe(0);
  await look.getByLabel('A code that somebody has').fill('WKM-none');
  await page.keyboard.press('Enter');
  await look.getByText('There is no code “WKM-none”.').waitFor();
  expect(complaints.filter((one) => !/404/.test(one))).toEqual([]);
  await page.context().close();
});

test('Today says which codes end soon unused', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/today');
  await page.getByText(/1,389 of the 2,000 codes of batch 1 are unused/).waitFor();
  await page.context().close();
});
