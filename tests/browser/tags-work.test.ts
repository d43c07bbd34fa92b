import { readFileSync } from 'node:fs';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, openBrowser, PHONE, settled, sitDown } from './desk.ts';

const DAY = '2027-05-03';
const TEAS = ['Q100042', 'Q100043', 'Q100044'];

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
  await saveApproved({
    ...change('tags-at-desk'),
    ...{ name: 'Teas at the shelf', priority: 1, alone: true, where: { stores: ['s001'] } },
    when: { from: `${DAY}T00:00`, to: '2027-05-10T00:00' },
    offer: { kind: 'priceChange', items: { items: TEAS }, formula: { setTo: '0.55' } },
  } as never);
});
afterAll(() => browser.close());

test('whoever runs a store prints its tags on the phone, ticks what hangs by the keys, and all see it', async () => {
  const { page, complaints } = await sitDown(browser, 'tove', PHONE);
  await page.goto(`/send/tags?at=${DAY}T12:00`);
  await settled(page);
  await page
    .getByRole('combobox', { name: 'Tags' })
    .selectOption({ label: 'those that tell of Teas at the shelf (3 anew)' });
  const tags = page.getByRole('list', { name: 'Shelf tags' }).getByRole('listitem');
  await expect.poll(() => tags.count()).toBe(3);
  const first = page.getByRole('checkbox', { name: /^hangs ?:/ }).first();
  await first.press('Space');
  await page.getByText('1 tag noted as hung.').waitFor();
  await expect.poll(() => first.isChecked()).toBe(true);
  await first.press('Space');
  await page.getByText('1 tag to be hung again.').waitFor();
  await page.getByRole('button', { name: 'All 3 shown here hang' }).press('Enter');
  await page.getByText('3 tags noted as hung.').waitFor();
  await page.getByRole('combobox', { name: 'Paper' }).selectOption({ label: 'Roll of labels, 57 × 32 mm' });
  const taking = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print these tags' }).press('Enter');
  const download = await taking;
  expect(download.suggestedFilename()).toBe(`shelf-tags s001 ${DAY}.pdf`);
  expect(readFileSync(await download.path(), 'latin1').match(/\/Type \/Page\b/g)).toHaveLength(3);
  await page.getByText('3 tags made.').waitFor();
  expect(await accessFaults(page, { within: 'main' })).toEqual([]);
  expect(complaints).toEqual([]);
  await page.context().close();

  const desk = await sitDown(browser, 'ines');
  await desk.page.goto(`/send/tags?where=s001&at=${DAY}T12:00`);
  await settled(desk.page);
  await desk.page
    .getByText(/Tove Harrow/)
    .first()
    .waitFor();
  await desk.page.getByRole('button', { name: 'See which stores are behind' }).press('Enter');
  const stores = desk.page.getByRole('region', { name: 'How the stores stand' });
  await stores.getByRole('link', { name: 'Aldermouth Market' }).waitFor();
  expect(await accessFaults(desk.page, { within: 'main' })).toEqual([]);
  expect(desk.complaints).toEqual([]);
  await desk.page.context().close();
});

test('a promotion that begins today is told of to whoever runs the store', async () => {
  const now = (await (await as('tove')).get('/api/send/tags?store=s001&day=2027-05-03')).body.today as string;
  await saveApproved({
    ...change('tags-of-today'),
    ...{ priority: 1, alone: true, where: { stores: ['s001'] } },
    when: { from: `${now}T00:00`, to: '2027-06-10T00:00' },
    offer: { kind: 'priceChange', items: { items: ['Q100036'] }, formula: { setTo: '0.35' } },
  } as never);
  const { page, complaints } = await sitDown(browser, 'tove');
  await page.goto('/today');
  await page
    .getByRole('link', { name: /^[\d,]+ shelf tags? to hang for / })
    .first()
    .press('Enter');
  await page.waitForURL(/\/send\/tags\?/);
  await settled(page);
  await page.getByRole('searchbox', { name: 'Only' }).fill('Q100036');
  const tag = page.getByRole('list', { name: 'Shelf tags' }).getByRole('listitem');
  await expect
    .poll(async () => (await tag.allTextContents()).join())
    .toMatch(/0\.35.*tags-of-today|tags-of-today.*0\.35/);
  expect(complaints).toEqual([]);
  await page.context().close();
});
