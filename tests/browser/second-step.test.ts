import pg from 'pg';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as, nobody } from '../application/client.ts';
import { oneTimeCode } from '../application/one-time-code.ts';
import { running } from '../application/running.ts';
import { until } from '../application/until.ts';
import { accessFaults, openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const EMAIL = 'mina@quillmere.example';
const ASKED = 'otto@quillmere.example';
const PASSWORD = 'three words apart';

async function invite(email: string): Promise<void> {
  const basil = await as('basil');
  const said = { name: 'Mina Torrell', email, role: 'planner', costs: true, stores: [] };
  expect((await basil.send('POST', '/api/people', said)).status).toBe(201);
  const letters = await until(
    async () => (await basil.get<string>('/stockroom/letters')).body,
    (page) => page.includes(email),
  );
  const token = new RegExp(`${email}[\\s\\S]*?token=([\\w-]+)`).exec(letters)![1];
  expect((await nobody().send('POST', '/api/password', { token, password: PASSWORD })).status).toBe(200);
}

async function signIn(page: Page, email = EMAIL): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByLabel('Password').press('Enter');
}

test('somebody begins with a second step, is asked for a code from then on, and ends it', async () => {
  await invite(EMAIL);
  const { page, complaints } = await sitDown(browser, null);
  await signIn(page);
  await page.waitForURL('**/today');
  await page.goto('/account');
  await settled(page);
  const step = page.getByRole('region', { name: 'A second step' });
  const password = step.getByLabel('Your password');
  await password.fill('not my password at all');
  await password.press('Enter');
  await step
    .getByRole('alert')
    .getByText(/that is not your password/)
    .waitFor();
  await password.fill(PASSWORD);
  await password.press('Enter');
  const codes = step.getByRole('list', { name: 'Codes for a lost device' }).getByRole('listitem');
  await expect.poll(() => codes.count()).toBe(10);
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  const secret = (await step.locator('img + p').textContent())!.replaceAll(' ', '');
  const [lost = ''] = await codes.allTextContents();
  const code = step.getByLabel('The code that the device shows now');
  await code.fill('000000');
  await code.press('Enter');
  await step
    .getByRole('alert')
    .getByText(/not right any more/)
    .waitFor();
  // What is to be written down still stands there.
  await expect.poll(() => codes.count()).toBe(10);
  await code.fill(oneTimeCode(secret));
  await code.press('Enter');
  await step.getByText('It is on. 10 codes for a lost device are left.').waitFor();

  await page.context().clearCookies();
  await signIn(page);
  const asked = page.getByLabel(/The code that your device shows now/);
  await asked.waitFor();
  expect(await accessFaults(page)).toEqual([]);
  await page.goto('/today');
  await page.waitForURL(/\/sign-in/);
  await signIn(page);
  await asked.fill('000000');
  await asked.press('Enter');
  await page
    .getByRole('alert')
    .getByText(/not right any more/)
    .waitFor();
  await asked.fill(oneTimeCode(secret, 1));
  await asked.press('Enter');
  await page.waitForURL('**/today');

  await page.context().clearCookies();
  await signIn(page);
  await asked.fill(lost);
  await asked.press('Enter');
  await page.waitForURL('**/today');
  await page.goto('/account');
  await settled(page);
  await step.getByText('9 codes for a lost device are left').waitFor();
  await step.getByLabel('Your password').fill(PASSWORD);
  await step.getByRole('button', { name: 'End it' }).press('Enter');
  await step.getByText('Your password alone lets you in again.').waitFor();
  // What is refused is told by the console as well.
  expect(complaints.filter((line) => !/\b(401|422)\b/.test(line))).toEqual([]);
  await page.context().close();
});

test('whoever the chain asks a second step of begins with it, and comes to where they were going', async () => {
  await invite(ASKED);
  const db = new pg.Client({ connectionString: running().databaseUrl });
  await db.connect();
  const demand = (said: object | null) =>
    db.query('update chain set second_step = $1', [said === null ? null : JSON.stringify(said)]);
  try {
    const { page, complaints } = await sitDown(browser, null);
    await signIn(page, ASKED);
    await page.waitForURL('**/today');
    await demand({ of: 'everybody', from: '2026-01-01' });
    await page.goto('/plan?q=sun');
    await page.waitForURL('**/second-step?next=%2Fplan%3Fq%3Dsun');
    await settled(page);
    expect(await accessFaults(page)).toEqual([]);
    await page.getByLabel('Your password').fill(PASSWORD);
    await page.getByLabel('Your password').press('Enter');
    const secret = (await page.locator('img + p').textContent())!.replaceAll(' ', '');
    await page.getByLabel('The code that the device shows now').fill(oneTimeCode(secret));
    await page.getByLabel('The code that the device shows now').press('Enter');
    await page.waitForURL('**/plan?q=sun');
    expect(complaints).toEqual([]);
    await page.context().close();
  } finally {
    await demand(null);
    await db.end();
  }
});
