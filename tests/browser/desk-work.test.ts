import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as } from '../application/client.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, atRest, openBrowser, openPart, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const promotion = (id: string) => ({
  ...change(id),
  name: `Named ${id}`,
  offer: { kind: 'priceChange', items: { node: 'teas' }, formula: { percentOff: 500 } },
});

test('the keys lead anywhere: Ctrl K, a slash to search, a question mark for the keys', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan?where=group:city');
  await settled(page);
  await page.keyboard.press('?');
  await page.getByRole('heading', { name: 'Keys of this page' }).waitFor();
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await page.keyboard.type('late hours');
  await page.getByRole('link', { name: 'Late hours on scents' }).waitFor();
  await expect.poll(() => page.locator('tbody tr').count()).toBe(1);
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Go anywhere' }).fill('stockroom');
  await page.getByRole('option', { name: /Stockroom/, selected: true }).waitFor();
  await page.keyboard.press('Enter');
  await page.waitForURL('**/stockroom?where=group*');
  await page.context().close();
});

test('the lens travels: a store, a day, a kind of shopper, all in the address', async () => {
  const { page } = await sitDown(browser, 'odile');
  await page.goto('/check?item=Q103453');
  await settled(page);
  await page.getByRole('button', { name: /^Look as whom/ }).press('Enter');
  await page.getByRole('option', { name: 'Members' }).click();
  await page.waitForURL('**for=members*');
  await settled(page);
  await page.getByRole('button', { name: /^Look where/ }).press('Enter');
  await page.getByRole('option', { name: /Corrie Sound Arcade/ }).click();
  await page.waitForURL('**where=s003*');
  await settled(page);
  await page.getByText('Lisbon time', { exact: true }).first().waitFor();
  await page.getByRole('navigation', { name: 'Days' }).getByRole('link').last().click();
  await page.waitForURL('**at=*');
  await page.getByTestId('price').waitFor();
  expect(new URL(page.url()).searchParams.get('item')).toBe('Q103453');
  await page.context().close();
});

test('two people on one promotion: what both wrote is put together, part by part, and nothing is lost', async () => {
  const [ines, rufus] = [await as('ines'), await as('rufus')];
  const shared = promotion('shared');
  await rufus.send('POST', '/api/promotions', { promotion: shared });
  const here = async () => (await ines.send('PUT', '/api/promotions/shared/here', {})).body.others;
  expect(await here()).toEqual([]);
  const { page } = await sitDown(browser, 'rufus');
  await page.goto('/plan/shared');
  await settled(page);
  // Each is told of the other while both have it open.
  await page.getByText('Ines Calloway has this open as well.').waitFor();
  expect(await here()).toEqual(['Rufus Tamsin']);
  const save = page.getByRole('button', { name: 'Save', exact: true });
  const name = page.getByLabel('Name for colleagues');
  const between = page.getByRole('region', { name: 'What somebody else changed' });

  // Ines writes another part: both are kept.
  await ines.send('PUT', '/api/promotions/shared', { promotion: { ...shared, priority: 6 }, revision: 1 });
  await name.fill('Mine');
  await save.press('Enter');
  await between.getByText(/Ines Calloway saved this after you opened it/).waitFor();
  await between.getByRole('row', { name: 'Priority 100 6' }).waitFor();
  await between.getByText('You wrote other parts: both can be kept.').waitFor();
  await expect.poll(() => name.inputValue()).toBe('Mine');
  expect(await accessFaults(page)).toEqual([]);
  await between.getByRole('button', { name: 'Put both together' }).press('Enter');
  await page.getByRole('button', { name: /^Priority: priority 6/ }).waitFor();
  await save.press('Enter');
  await page.getByText('Saved.').waitFor();
  const standing = async () => (await rufus.get('/api/promotions/shared')).body;
  expect(await standing()).toMatchObject({ revision: 3, promotion: { name: 'Mine', priority: 6 } });

  // Ines writes the very part: one says whose counts.
  await ines.send('PUT', '/api/promotions/shared', {
    promotion: { ...shared, name: 'Hers', priority: 5 },
    revision: 3,
  });
  await name.fill('Mine again');
  await save.press('Enter');
  const whose = between.getByRole('group', { name: 'Name' });
  await whose.getByRole('radio', { name: 'theirs' }).check();
  await between.getByRole('button', { name: 'Put both together' }).press('Enter');
  await expect.poll(() => name.inputValue()).toBe('Hers');
  // It is a step like any other.
  await page.getByRole('button', { name: 'Undo' }).press('Enter');
  await expect.poll(() => name.inputValue()).toBe('Mine again');
  await save.press('Enter');
  await page.getByText('Saved.').waitFor();
  expect(await standing()).toMatchObject({ revision: 5, promotion: { name: 'Mine again', priority: 6 } });
  await page.goto('/plan');
  await expect.poll(here).toEqual([]);
  await page.context().close();
});

test('what the server refuses stands at its part, and what was typed is kept', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/face-week');
  await settled(page);
  await openPart(page, /^When:/);
  await page.getByLabel(/^Ends/).fill('2020-01-01T09:00');
  await page
    .getByRole('alert')
    .getByText(/is not after the start/)
    .waitFor();
  await page.keyboard.press('Escape');
  await openPart(page, /^How the price comes about:/);
  await page.getByLabel(/^How much/).fill('lots');
  await page.getByText(/“lots” is no percentage/).waitFor();
  await page.context().close();
});

test('a server that does not answer is told as such, and the draft stays', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/face-week');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Kept through the outage');
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByText(/Bell Tag did not answer/).waitFor();
  await expect
    .poll(() => page.getByLabel('Name for colleagues').inputValue())
    .toBe('Kept through the outage');
  await page.context().close();
});

test('a viewer reads the sentence and cannot change it; a store’s person sees their store', async () => {
  const viewer = await sitDown(browser, 'odile');
  await viewer.page.goto('/plan/face-week');
  await atRest(viewer.page);
  await viewer.page.getByText(/planners change them/).waitFor();
  // Looking is all there is to press.
  const buttons = await viewer.page.getByRole('main').getByRole('button').allTextContents();
  expect(buttons.map((words) => words.replace(/^. /, ''))).toEqual(['What it would bring']);
  await viewer.page.goto('/plan/new');
  await viewer.page.waitForURL('**/plan');
  await viewer.page.context().close();

  const store = await sitDown(browser, 'tove');
  await store.page.goto('/stockroom');
  await expect.poll(() => store.page.locator('tbody tr').count()).toBe(1);
  await store.page.goto('/check?where=s002');
  await store.page.getByText(/there is no store "s002" for you/).waitFor();
  await store.page.context().close();
});

test('a plan with faults is refused whole, fault by fault, and the chain stays', async () => {
  const { page } = await sitDown(browser, 'basil');
  await page.goto('/stockroom');
  await settled(page);
  await page.getByRole('button', { name: 'Look at it' }).click();
  await page.getByText('Choose a file first.').waitFor();
  const faulty = {
    format: 'bell-tag-plan',
    version: 1,
    currency: 'EUR',
    nodes: [],
    items: [],
    stores: [{ id: 'x', name: 'X', timeZone: 'Mars/Base' }],
    promotions: [],
  };
  await page.getByLabel('Plan document (JSON)').setInputFiles({
    name: 'plan.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(faulty)),
  });
  await page.getByRole('button', { name: 'Look at it' }).click();
  await page.getByText('/stores/0/timeZone: no time zone "Mars/Base"').waitFor();
  // One that is right is told of before it replaces anything, and can be left.
  await page.getByLabel('Plan document (JSON)').setInputFiles({
    name: 'plan.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...faulty, stores: [{ id: 'x', name: 'X', timeZone: 'UTC' }] })),
  });
  await page.getByRole('button', { name: 'Look at it' }).press('Enter');
  await page.getByText(/48 stores and [\d,]+ promotions would be replaced by 0 items, 1 store and/).waitFor();
  expect(await accessFaults(page, { within: 'section[aria-label="Bring in a plan"]' })).toEqual([]);
  await page.getByRole('button', { name: 'Leave it' }).press('Enter');
  await page.goto('/stockroom');
  await expect.poll(() => page.locator('tbody tr').count()).toBe(48);
  await page.context().close();
});

test('signing out ends it, and a wrong password says so at once', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/today');
  await settled(page);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.waitForURL('**/sign-in');
  await page.getByLabel('E-mail').fill('ines@quillmere.example');
  await page.getByLabel('Password').fill('not-this-one');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.getByText('The e-mail address or the password is not right.').waitFor();
  await page.getByLabel('E-mail').fill('ines');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.locator('[data-fault="/email"]', { hasText: /\S/ }).waitFor();
  await page.getByLabel('E-mail').fill('ines@quillmere.example');
  await page.getByLabel('Password').fill('quillmere-demo');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.waitForURL('**/today');
  await page.context().close();
});
