import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as } from '../application/client.ts';
import { askTill, controlTill } from '../application/till.ts';
import { until } from '../application/until.ts';
import { openBrowser, openPart, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

/** The day after tomorrow, and three days later, as the demo's clocks have it. */
const day = (offset: number) => new Date(Date.now() + offset * 86_400_000).toISOString().slice(0, 10);
const [START, END] = [day(2), day(5)];

test('a price change goes from the plan to the till, and switches at nine in two time zones', async () => {
  const { page, complaints } = await sitDown(browser, null);

  await page.goto('/plan/new?where=group:city');
  await page.getByRole('button', { name: /Ines Calloway/ }).click();
  await page.waitForURL('**/plan/new?where=group:city');
  await settled(page);

  // The sentence is the form.
  await page.getByLabel('Name for colleagues').fill('Sun care for the long weekend');
  await openPart(page, /^When:/);
  await page.getByLabel(/^Starts/).fill(`${START}T09:00`);
  await page.getByLabel(/^Ends/).fill(`${END}T20:00`);
  await page.keyboard.press('Escape');
  await openPart(page, /^For whom: all shoppers/);
  await page.getByLabel('Members', { exact: true }).check();
  await page.keyboard.press('Escape');
  await openPart(page, /^How the price comes about:/);
  await page.getByLabel(/^How much/).fill('15');
  await page.keyboard.press('Escape');
  await openPart(page, /^Goods:/);
  await page.getByRole('combobox', { name: 'Goods' }).fill('sun care');
  await page
    .getByRole('option', { name: /Sun care/ })
    .first()
    .click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: '+ rounding' }).click();
  await page.getByLabel(/^Step/).fill('0.05');
  await page.keyboard.press('Escape');
  const sentence = page.locator('main p.font-serif');
  await expect
    .poll(() => sentence.textContent())
    .toMatch(/in .*City stores, .*members pay .*15 % less on .*Sun care.*rounded up to 0\.05\./);

  // What it does stands beside while it is a draft.
  const beside = page.getByRole('region', { name: 'What it does' });
  await beside.getByText(/of \d+ items change price/).waitFor();
  await expect.poll(() => beside.getByText('12 stores').count()).toBe(1);
  const line = beside.locator('tbody tr').filter({ hasText: 'was' }).first();
  const item = new URL((await line.getByRole('link').getAttribute('href'))!, 'http://x').searchParams.get(
    'item',
  )!;
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByText('Saved.').waitFor();
  const path = new URL(page.url()).pathname;
  expect(path).toMatch(/^\/plan\/sun-care-for-the-long-weekend-/);
  await page.getByRole('button', { name: 'Submit for approval' }).click();
  await page.getByText(/^Submitted\./).waitFor();

  // Somebody else approves it.
  const approver = await sitDown(browser, 'rufus');
  await approver.page.goto('/today');
  await approver.page.getByText('A draft to look at and approve').first().waitFor();
  await approver.page.goto(path);
  await settled(approver.page);
  await approver.page.getByRole('button', { name: 'Approve', exact: true }).click();
  await approver.page.getByText(/^Approved\./).waitFor();

  // Check: before, during and after, with why and what lost.
  const check = async (at: string, group = 'members') => {
    await approver.page.goto(`/check?where=s001&at=${at}&for=${group}&item=${item}`);
    await approver.page.getByTestId('price').waitFor();
    return (await approver.page.locator('main').textContent())!;
  };
  expect(await check(`${START}T08:59`)).toMatch(/Sun care for the long weekend\s*It had not started\./);
  expect(await check(`${START}T09:00`)).toMatch(/Sun care for the long weekend sets the price: 15 % less on/);
  expect(await check(`${START}T09:00`, '')).toMatch(
    /Sun care for the long weekend\s*It is for other shoppers\./,
  );
  expect(await check(`${END}T20:00`)).toMatch(/Sun care for the long weekend\s*It was over\./);

  // Send: what changes in which store, then out it goes.
  await approver.page.goto('/send');
  await approver.page.getByText('Sun care for the long weekend').first().waitFor();
  await approver.page
    .getByRole('row', { name: /Sun care for the long weekend/ })
    .first()
    .getByRole('button', { name: /^Its prices/ })
    .click();
  await approver.page
    .getByRole('region', { name: /^Prices of .* that change$/ })
    .getByText('Sun care for the long weekend, for those it is for')
    .first()
    .waitFor();
  // Held back it stays out of what goes, and says so where one works on it; let go it is there again.
  await approver.page.getByRole('button', { name: 'Hold back Sun care for the long weekend' }).click();
  const letGo = approver.page.getByRole('button', { name: 'Let it go Sun care for the long weekend' });
  await letGo.waitFor();
  await expect.poll(() => approver.page.getByRole('button', { name: /^Hold back Sun care/ }).count()).toBe(0);
  await page.goto(path);
  await page.getByText(/^Held back from the tills by Rufus Tamsin/).waitFor();
  await approver.page.goto('/today');
  await approver.page.getByText('Sun care for the long weekend, by Rufus Tamsin').waitFor();
  await approver.page.goto('/send');
  await letGo.click();
  await letGo.waitFor({ state: 'detached' });
  await approver.page
    .getByText('Looking through the plan for what may be wrong')
    .waitFor({ state: 'detached' });
  await approver.page.getByRole('button', { name: /^Send to \d+ stores/ }).click();
  await approver.page
    .getByRole('status')
    .getByText(/terminals hold price file \d+/)
    .waitFor({ timeout: 60_000 });

  // The tills of two time zones: an hour apart, and each switches at nine of its own store.
  const api = await as('rufus');
  const price = async (store: string, at: string) =>
    (await api.get(`/api/price?store=${store}&item=${item}&at=${at}&group=members`)).body.price as string;
  const { stores } = (await api.get('/api/choices')).body as {
    stores: { id: string; timeZone: string; tags: string[] }[];
  };
  const city = stores.filter(({ tags }) => tags.includes('city'));
  const zones = [...new Set(city.map(({ timeZone }) => timeZone))];
  expect(zones).toHaveLength(2);
  for (const zone of zones) {
    const store = city.find(({ timeZone, id }) => timeZone === zone && id !== 's005')!.id;
    const till = `${store}-1`;
    const wanted = (await api.get('/api/send/terminals?all=1&most=9999')).body.terminals.find(
      (one: any) => one.terminal === till,
    ).wanted;
    await until(
      () => askTill(till),
      ({ holds }) => holds === wanted,
    );
    for (const time of ['08:59', '09:00']) {
      await controlTill(till, { set: '1', clock: `${START}T${time}`, delay: '0' });
      const { rung } = await askTill(till, item, 'members');
      expect(rung?.price).toBe(await price(store, `${START}T${time}`));
      expect(rung?.promotion === path.slice('/plan/'.length)).toBe(time === '09:00');
    }
    await controlTill(till, { right: '1' });
  }
  expect(complaints.concat(approver.complaints)).toEqual([]);
});
