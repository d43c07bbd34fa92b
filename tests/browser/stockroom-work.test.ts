import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as } from '../application/client.ts';
import { until } from '../application/until.ts';
import { atRest, openBrowser, openPart, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const cellsOf = async (path: string) => {
  const { body } = await (await as('ines')).get(`/api/stockroom/${path}`);
  return body.rows.map(({ cells }: any) => cells);
};
const press = async (page: Page, key: string, times: number) => {
  for (let i = 0; i < times; i++) await page.keyboard.press(key);
};
/** Puts a text on the clipboard of the focused sheet, as a spreadsheet would. */
const paste = (page: Page, text: string) =>
  page.getByRole('grid').evaluate((grid, data) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', data);
    grid.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, text);

test('items are found as one types, changed by keys, pasted from a spreadsheet, and taken back', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/stockroom/items');
  await atRest(page);
  await page.keyboard.press('/');
  await page.keyboard.type('hand soap');
  const before = await cellsOf('items?q=hand+soap');
  await page.getByText(`${before.length} items`).waitFor();
  await page.getByRole('grid').focus();
  await press(page, 'ArrowRight', 6);
  await page.keyboard.type('1,11');
  await page.keyboard.press('Enter');
  await until(
    () => cellsOf('items?q=hand+soap'),
    ([first]) => first.cost === '1.11',
  );
  // What was done last is taken back, also where that is still on its way.
  const saves: string[] = [];
  page.on('response', (reply) => {
    if (reply.request().method() === 'POST') saves.push(reply.request().postData() ?? '');
  });
  await paste(page, '2.22\n3.33');
  await page.keyboard.press('Control+z');
  await expect.poll(() => saves).toHaveLength(2);
  expect(saves[0]).toContain('"cost":"3.33"');
  const undone = await until(
    () => cellsOf('items?q=hand+soap'),
    ([, second, third]) => second.cost === before[1].cost && third.cost === before[2].cost,
  );
  expect(undone[0].cost).toBe('1.11');
  // And what was done before that, once more.
  await page.keyboard.press('Control+z');
  await until(
    () => cellsOf('items?q=hand+soap'),
    ([first]) => first.cost === before[0].cost,
  );
  await page.context().close();
});

test('a cell that is refused says why, and keeps what was typed until it is mended or given up', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/stockroom/items?');
  await atRest(page);
  await page.getByRole('grid').focus();
  await press(page, 'ArrowRight', 6);
  await page.keyboard.type('1.234');
  await page.keyboard.press('Enter');
  await page.getByRole('alert').getByText('"1.234" has 3 decimals').waitFor();
  const cell = page.getByRole('gridcell', { name: '1.234' });
  await expect.poll(() => cell.getAttribute('aria-invalid')).toBe('true');
  await page.getByRole('button', { name: 'Put back what was there' }).click();
  await cell.waitFor({ state: 'detached' });
  await page.context().close();
});

test('an item is added with its faults said at the fields, and retired', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/stockroom/items');
  await atRest(page);
  await page.getByRole('button', { name: 'Add an item' }).click();
  const form = page.getByRole('form', { name: 'New item' });
  await form.getByLabel(/^Item number/).fill('TEST-1');
  await form.getByRole('button', { name: 'Add it' }).click();
  await form.getByText('nothing stands here').first().waitFor();
  await form.getByLabel(/^Name/).fill('Test brush');
  await form.getByLabel(/^Group of goods/).fill('toothbrush');
  await form.getByRole('button', { name: 'Add it' }).click();
  await page.getByText('Added: TEST-1.').waitFor();
  await page.getByRole('searchbox').fill('test brush');
  await page.getByText('1 items').waitFor();
  await page.getByRole('button', { name: 'Retire this item' }).click();
  await page.getByText(/1 retired from/).waitFor();
  expect((await cellsOf('items?q=TEST-1'))[0].retired).toMatch(/^\d{4}-\d\d-\d\d$/);
  await page.context().close();
});

test('goods are chosen in all-of, any-of and none-of, with what that selects beside', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/stockroom/set/summer');
  await atRest(page);
  const count = page.getByRole('status').filter({ hasText: /items/ });
  const numberOf = async () => Number((await count.textContent())!.replace(/[^\d].*$/, ''));
  await count.waitFor();
  const all = await numberOf();
  await page.getByRole('button', { name: 'except …' }).first().click();
  await page.getByRole('combobox', { name: 'Goods' }).fill('travel-size');
  await page
    .getByRole('option', { name: /travel-size/ })
    .first()
    .click();
  const fewer = await until(numberOf, (now) => now < all);
  expect(fewer).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByText('Saved.').waitFor();
  await page.getByRole('button', { name: 'Freeze it as it is today' }).click();
  await page.getByText(`Frozen with ${fewer} items.`).waitFor();
  await page.getByRole('button', { name: 'Make it live again' }).click();
  await page.getByText(/Live again/).waitFor();
  await page.context().close();
});

test('a file is looked at first: its columns, what it would do, what is wrong in which line', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/stockroom/files');
  await atRest(page);
  const file = join(tmpdir(), `bell-tag-${process.pid}.csv`);
  writeFileSync(file, 'Code;Called;Where\nspring;Spring;beauty\nautumn;Autumn;nowhere\n');
  await page.getByLabel('What the file holds').selectOption({ label: 'Groups of goods' });
  await page.getByLabel('The file', { exact: true }).setInputFiles(file);
  await page.getByLabel('What the column Called is').selectOption({ label: 'Name' });
  await page.getByLabel('What the column Where is').selectOption({ label: 'Within' });
  await page.getByText('no group of goods "nowhere"').waitFor();
  await expect.poll(() => page.getByRole('button', { name: /^Bring in/ }).count()).toBe(0);
  writeFileSync(file, 'Code;Called;Where\nspring;Spring;beauty\nautumn;Autumn;beauty\n');
  await page.getByLabel('The file', { exact: true }).setInputFiles(file);
  await page.getByLabel('What the column Called is').selectOption({ label: 'Name' });
  await page.getByLabel('What the column Where is').selectOption({ label: 'Within' });
  await page.getByRole('button', { name: 'Bring in 2 rows' }).click();
  await page.getByText('All of it is in.').waitFor();
  expect(await cellsOf('nodes?q=autumn')).toMatchObject([{ id: 'autumn', parent: 'Beauty' }]);
  // The next file of these columns is understood at once.
  await page.reload();
  await atRest(page);
  await page.getByLabel('What the file holds').selectOption({ label: 'Groups of goods' });
  await page.getByLabel('The file', { exact: true }).setInputFiles(file);
  await page.getByText('as you chose the last time').waitFor();
  // Each cell that changes stands there before and after, what is emptied first and with a word of warning.
  writeFileSync(file, 'Code;Called;Where\nspring;Spring time;beauty\nautumn;Autumn;\n');
  await page.getByLabel('The file', { exact: true }).setInputFiles(file);
  const cells = page.getByRole('region', { name: 'Cells before and after' }).locator('tbody tr');
  await cells.first().waitFor();
  const told = (await cells.allInnerTexts()).map((text) => text.split('\t').join(' | '));
  expect(told).toEqual([
    '3 | Autumn (autumn) | Within | Beauty | emptied',
    '2 | Spring time (spring) | Name | Spring | Spring time',
  ]);
  await page.getByText('1 cell would be emptied (Within 1)').waitFor();
  await page.context().close();
});

test('regular prices are entered ahead in a worksheet, each from the one that it replaces', async () => {
  const basil = await as('basil');
  // A zone with a price of its own, and a chain's price that begins later.
  const put = (place: string, since: string, price: string) => ({
    key: null,
    cells: { sku: 'Q103453', place, since, price },
  });
  const { body } = await basil.send('POST', '/api/stockroom/prices', {
    edits: [
      put('zone:z4', '2031-01-01', '7.77'),
      put('chain', '2031-01-01', '5.00'),
      put('chain', '2031-06-01', '6.00'),
    ],
    drops: [],
    overwrite: true,
  });
  await (await as('rufus')).send('POST', `/api/waiting-entries/${body.waits}`, { step: 'approve' });
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/stockroom/reprice');
  await atRest(page);
  await page.getByLabel('From which day on').fill('2031-02-01');
  await page.getByRole('button', { name: '+ a pass over some goods' }).click();
  await page.getByRole('combobox', { name: 'Goods' }).fill('Q103453');
  await page
    .getByRole('option', { name: /Q103453/ })
    .first()
    .click();
  await page.keyboard.press('Escape');
  await page.getByText(/begins later and will overtake/).waitFor();
  const enter = page.getByRole('button', { name: /Enter these \d+ prices/ });
  await enter.click();
  await page.getByText(/\d+ regular prices from Sat 1 Feb 2031 on: written, and waiting/).waitFor();
  const pricesOf = async () =>
    (await cellsOf('prices?q=Q103453&limit=500')).filter(
      ({ since, place }: any) => since >= '2031-02-01' && ['the chain', 'Isles prices'].includes(place),
    );
  expect(await pricesOf()).toHaveLength(1);
  const rufus = await sitDown(browser, 'rufus');
  await rufus.page.goto('/stockroom/waiting');
  await atRest(rufus.page);
  const waits = rufus.page.getByRole('region', { name: 'Regular prices, by Ines Calloway' });
  await waits.getByRole('row', { name: /Q103453.*7\.77 8\.00 \+3\.0 %/ }).waitFor();
  await waits.getByRole('button', { name: 'Approve' }).click();
  await rufus.page.getByText(/^Approved\./).waitFor();
  await rufus.page.context().close();
  const rows = (await cellsOf('prices?q=Q103453&limit=500'))
    .filter(({ since }: any) => since >= '2031-02-01')
    .map(({ place, since, price }: any) => `${place} ${since} ${price}`);
  expect(rows.toSorted().join('; ')).toBe(
    [
      'Coast prices 2031-02-01 11.60',

      'Isles prices 2031-02-01 8.00',
      'the chain 2031-02-01 5.15',
      'the chain 2031-06-01 6.00',
    ].join('; '),
  );
  await page.context().close();
});

test('one store shows what it carries and through which range', async () => {
  const { page } = await sitDown(browser, 'odile');
  await page.goto('/stockroom/store/s002');
  await atRest(page);
  await page.getByRole('heading', { name: 'Brackenford Old Town' }).waitFor();
  await page.getByRole('gridcell', { name: 'Core range' }).first().waitFor();
  await openPart(page, /^Which goods:/);
  await page.getByRole('combobox', { name: 'Goods' }).fill('photo');
  await page
    .getByRole('option', { name: /^Photo/ })
    .first()
    .click();
  await page
    .getByRole('status')
    .filter({ hasText: /^0 items$/ })
    .waitFor();
  await page.context().close();
});
