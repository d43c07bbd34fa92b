import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const DAY = 86_400_000;
const inDays = (days: number) => new Date(Date.now() + days * DAY).toISOString().slice(0, 10);

/** A change of what is approved, which somebody else approves. */
async function widen(promotion: { id: string }): Promise<void> {
  const [ines, rufus] = [await as('ines'), await as('rufus')];
  const path = `/api/promotions/${promotion.id}`;
  const { revision } = (await ines.get(path)).body;
  const next = { promotion: { ...promotion, status: 'approved' }, revision };
  const written = await ines.send('PUT', path, next);
  const submitted = await ines.send('POST', `${path}/step`, {
    step: 'submit',
    revision: written.body.revision,
  });
  const approved = await rufus.send('POST', `${path}/step`, {
    step: 'approve',
    revision: submitted.body.revision,
  });
  if (approved.status !== 200) throw new Error(JSON.stringify([written, submitted, approved]));
}

test('two promotions at one priority are found, accepted with a reason, and come back when one reaches further', async () => {
  const when = { from: `${inDays(200)}T09:00`, to: `${inDays(207)}T20:00` };
  const at = (id: string, name: string, node: string) => ({
    ...change(id, { when, priority: 33 }),
    name,
    offer: { kind: 'priceChange', items: { node }, formula: { percentOff: 500 } },
  });
  await saveApproved(at('found-teas', 'Teas of the week', 'teas'));
  await saveApproved(at('found-more', 'Warm drinks', 'teas'));
  const { page, complaints } = await sitDown(browser, 'ines');
  // Beside its sentence, for whoever writes it, and before it goes out.
  await page.goto('/plan/found-teas');
  const beside = page.getByRole('region', { name: 'What may be wrong' });
  await beside.getByText('Warm drinks').first().waitFor({ timeout: 60_000 });
  await expect.poll(() => beside.textContent()).toContain('Two at one priority');
  await page.goto('/send');
  const going = page.getByRole('region', { name: 'What may be wrong with it' });
  await going.getByRole('listitem').first().waitFor({ timeout: 90_000 });
  await page.goto('/check');
  await settled(page);
  await page.getByRole('link', { name: 'Findings' }).click();
  const row = page
    .getByRole('listitem')
    .filter({ hasText: 'at the same priority' })
    .filter({ hasText: 'Warm drinks' });
  await row.waitFor({ timeout: 60_000 });
  await expect.poll(() => row.textContent()).toContain('“Teas of the week”');
  await row.getByRole('button', { name: 'Goods and stores' }).click();
  await expect.poll(() => row.getByRole('link').count()).toBeGreaterThan(5);
  expect(await accessFaults(page)).toEqual([]);
  await row.getByRole('button', { name: 'Accept it' }).click();
  await page.keyboard.type('Both are the same price');
  await page.keyboard.press('Enter');
  await row.waitFor({ state: 'detached' });
  await page.getByRole('button', { name: /accepted$/ }).click();
  const quiet = page
    .getByRole('list', { name: 'Accepted findings' })
    .getByRole('listitem')
    .filter({ hasText: 'Warm drinks' });
  await expect.poll(() => quiet.textContent()).toMatch(/Accepted by Ines .+: Both are the same price/);
  await widen(at('found-teas', 'Teas of the week', 'food-and-drink'));
  await widen(at('found-more', 'Warm drinks', 'food-and-drink'));
  await page.reload();
  await row.waitFor({ timeout: 60_000 });
  // A mend is opened with all that it does, and nothing of it is saved.
  await row.getByRole('link', { name: 'Let Warm drinks go first' }).click();
  await page.waitForURL((url) => url.pathname === '/plan/found-more' && !url.search.includes('mend'));
  await page.getByRole('button', { name: /priority 32/ }).waitFor();
  // What was found of it as it stands is told until the mended one was looked at.
  await beside
    .and(page.locator('[aria-busy=false]'))
    .filter({ hasNotText: 'Two at one priority' })
    .waitFor({ timeout: 60_000 });
  const { promotion } = (await (await as('ines')).get('/api/promotions/found-more')).body;
  expect(promotion.priority).toBe(33);
  expect(complaints).toEqual([]);
});

test('a deal that loses money is found as a basket, rung, and closed where it is written', async () => {
  const when = { from: `${inDays(300)}T09:00`, to: `${inDays(307)}T20:00` };
  await saveApproved({
    ...change('too-much', { when, priority: 50 }),
    name: 'Two teas, far too cheap',
    offer: { kind: 'mixAndMatch', items: { node: 'teas' }, take: 2, value: { percentOff: 9_000 } },
  } as never);
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto(`/check/loopholes?where=s001&at=${inDays(302)}T11:00`);
  await settled(page);
  const losing = page.getByRole('region', { name: 'Leave less than nothing' });
  const row = losing.getByRole('listitem').filter({ hasText: 'By Two teas, far too cheap' }).first();
  await row.waitFor({ timeout: 60_000 });
  await page.getByText(/Proved: no basket of up to 12 units leaves less/).waitFor();
  await expect.poll(() => row.textContent()).toMatch(/-\d+\.\d\d EUR/);
  expect(await accessFaults(page)).toEqual([]);
  const paid = /lost: (\d+\.\d\d) paid/.exec((await row.textContent())!)![1]!;
  await row.getByRole('link', { name: 'Ring it' }).click();
  await page.waitForURL(/\/check\/basket/);
  await page.getByText(paid).first().waitFor();
  await page.goBack();
  await row.getByRole('link', { name: /once a basket/ }).click();
  await page.waitForURL((url) => url.pathname === '/plan/too-much' && !url.search.includes('mend'));
  await page
    .getByText(/at most once a basket/)
    .first()
    .waitFor();
  expect(complaints).toEqual([]);
});
