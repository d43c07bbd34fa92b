import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { until } from '../application/until.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, atRest, openBrowser, openPart, settled, sitDown, toColumn } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const named = (id: string, more: object = {}) => ({
  ...change(id, { when: { from: '2031-03-03T09:00', to: '2031-03-09T20:00' }, ...more }),
  name: `Named ${id}`,
  offer: { kind: 'priceChange', items: { node: 'teas' }, formula: { percentOff: 500 } },
});

test('what one writes survives a closed tab, is undone and done after all', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/new');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Half written');
  await page.getByText('Kept for you, not saved yet.').waitFor();
  const { page: other } = await sitDown(browser, 'ines');
  await page.close();
  await other.goto('/plan');
  await settled(other);
  await other.getByRole('link', { name: 'Half written' }).click();
  await other.getByText('This is what you were writing').waitFor();
  await expect.poll(() => other.getByLabel('Name for colleagues').inputValue()).toBe('Half written');
  await settled(other);
  await other.getByRole('button', { name: 'Put it aside' }).click();
  await expect.poll(() => other.getByLabel('Name for colleagues').inputValue()).toBe('');
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => other.getByLabel('Name for colleagues').inputValue()).toBe('Half written');
  await other.getByRole('button', { name: 'Redo' }).click();
  await expect.poll(() => other.getByLabel('Name for colleagues').inputValue()).toBe('');
  await until(
    async () => (await (await as('ines')).get('/api/drafts')).body,
    (drafts: any[]) => drafts.every(({ draft }) => draft.name !== 'Half written'),
  );
  await other.context().close();
});

test('a worksheet: two passes, a line by hand, one taken out, saved and opened again', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/new');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Tea sheet');
  await openPart(page, /^Goods:/);
  await page.getByRole('combobox', { name: 'Goods' }).fill('teas');
  await page.getByRole('option', { name: /^Teas/ }).first().click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: '+ lines in a worksheet' }).click();
  const sheet = page.getByRole('grid', { name: 'Lines of the worksheet' });
  await sheet.focus();
  await toColumn(sheet, 'New');
  await page.keyboard.type('1,01');
  await page.keyboard.press('Enter');
  await page.getByText('By hand 1').waitFor();
  // What was done in the sheet is taken back in the sheet, and done after all; the name stays.
  await sheet.press('Control+z');
  await page.getByText('By hand 1').waitFor({ state: 'detached' });
  await sheet.press('Control+y');
  await page.getByText('By hand 1').waitFor();
  await expect.poll(() => page.getByLabel('Name for colleagues').inputValue()).toBe('Tea sheet');
  await sheet.press('Home');
  await sheet.press('Delete');
  await page.getByText('Taken out 1').waitFor();
  await sheet.focus();
  await toColumn(sheet, 'Cost');
  await page.keyboard.type('0,40');
  await page.keyboard.press('Enter');
  await sheet.getByRole('gridcell', { name: '0.40', exact: true }).waitFor();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByText('Saved.').waitFor();
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const { promotion } = (await (await as('ines')).get(`/api/promotions/${id}`)).body;
  const { linePrices, worksheet, items } = promotion.offer;
  expect(Object.values(promotion.supplier.costs)).toEqual(['0.40']);
  expect(Object.keys(worksheet.own)).toHaveLength(1);
  expect(worksheet.removed).toHaveLength(1);
  expect(items.items.toSorted()).toEqual(Object.keys(linePrices).toSorted());
  expect(Object.keys(linePrices)).not.toContain(worksheet.removed[0]);
  expect(Object.values(linePrices)).toContain('1.01');
  await page.reload();
  await atRest(page);
  await page.getByText('By hand 1').waitFor();
  await expect.poll(() => page.getByText(/come out differently now/).count()).toBe(0);
  await page.context().close();
});

test('what is approved goes on while its change waits, is sent back with a word, and approved in the end', async () => {
  await saveApproved(named('stands'));
  const ines = await sitDown(browser, 'ines');
  await ines.page.goto('/plan/stands');
  await settled(ines.page);
  await openPart(ines.page, /^Priority:/);
  await ines.page.getByLabel(/^Priority; 1 comes first/).fill('7');
  await ines.page.keyboard.press('Escape');
  await ines.page.getByRole('button', { name: 'Save', exact: true }).click();
  await ines.page.getByText(/^Kept as a change\./).waitFor();
  const waiting = ines.page.getByRole('region', { name: 'What waits' });
  await waiting.getByRole('row', { name: 'Priority 100 7' }).waitFor();
  await ines.page.getByRole('button', { name: 'Submit for approval' }).click();
  await waiting.getByText(/^A change of it waits for approval\./).waitFor();
  // Priority alone changes no price here; that is said, too.
  await waiting.getByRole('button', { name: 'Prices side by side' }).click();
  await waiting.getByText('No price becomes another.').waitFor();
  // Written once more it is still what waits that is opened.
  await ines.page.reload();
  await settled(ines.page);
  await ines.page.getByRole('button', { name: /^Priority: priority 7/ }).waitFor();
  expect((await (await as('ines')).get('/api/promotions/stands')).body.promotion).toEqual(named('stands'));

  const rufus = await sitDown(browser, 'rufus');
  await rufus.page.goto('/plan/stands');
  await atRest(rufus.page);
  expect(await accessFaults(rufus.page)).toEqual([]);
  await rufus.page.getByLabel('What should be otherwise').fill('rather 6');
  await rufus.page.getByRole('button', { name: 'Send it back' }).click();
  await rufus.page.getByText(/was sent back by Rufus Tamsin: rather 6/).waitFor();

  await ines.page.goto('/today');
  await ines.page.getByText('Sent back by Rufus Tamsin: rather 6').waitFor();
  await ines.page.goto('/plan/stands');
  await settled(ines.page);
  await openPart(ines.page, /^Priority:/);
  await ines.page.getByLabel(/^Priority; 1 comes first/).fill('6');
  await ines.page.keyboard.press('Escape');
  await ines.page.getByRole('button', { name: 'Save', exact: true }).click();
  await ines.page.getByText(/^Kept as a change\./).waitFor();
  await ines.page.getByRole('button', { name: 'Submit for approval' }).click();
  await ines.page.getByText(/^Submitted\./).waitFor();
  await rufus.page.reload();
  await settled(rufus.page);
  await rufus.page.getByRole('button', { name: 'Approve', exact: true }).click();
  await rufus.page.getByText(/^Approved\./).waitFor();
  expect((await (await as('ines')).get('/api/promotions/stands')).body).toMatchObject({
    promotion: { status: 'approved', priority: 6 },
    change: null,
  });
  // What it was before is told, and can be opened.
  await rufus.page.getByText('change approved by Rufus Tamsin').waitFor();
  await rufus.page.getByRole('link', { name: 'as it was then' }).last().click();
  await rufus.page.getByText(/^This is how it stood when it was created\./).waitFor();
  await rufus.page.getByText('priority 100').waitFor();
  await ines.page.context().close();
  await rufus.page.context().close();
});

test('a deal that is approved is dragged like any other, and goes on until its move is approved', async () => {
  const offer = { kind: 'mixAndMatch', items: { node: 'teas' }, take: 3, value: { percentOff: 1000 } };
  await saveApproved({ ...named('pulled-deal', { where: { stores: ['s002'] } }), offer } as { id: string });
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/calendar?at=2031-03-05T12:00');
  await settled(page);
  const bar = page.getByRole('button', { name: 'Named pulled-deal: move it' }).first();
  await bar.focus();
  // Let go before anything was answered: it counts all the same.
  await page.keyboard.press('Space');
  await page.getByText('Named pulled-deal is held.').waitFor({ state: 'attached' });
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await page.getByText(/Named pulled-deal would run from Tue 4 Mar.* once that is approved/).waitFor();
  const stands = (await (await as('ines')).get('/api/promotions/pulled-deal')).body;
  expect(stands).toMatchObject({
    promotion: { status: 'approved', when: { from: '2031-03-03T09:00' } },
    change: { promotion: { when: { from: '2031-03-04T09:00' } } },
  });
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByText('Back where it was.').waitFor();
  expect((await (await as('ines')).get('/api/promotions/pulled-deal')).body.change).toBeNull();
  await page.context().close();
});

test('a day is picked in our calendar by keys, which says what runs on it', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/new?at=2031-03-05T12:00');
  await settled(page);
  await openPart(page, /^When:/);
  const starts = page.getByLabel('Starts, in the time of each store');
  await starts.fill('2031-03-04T10:30');
  await page.getByRole('button', { name: 'Pick a day' }).first().press('Enter');
  const day = (name: RegExp) => page.getByRole('button', { name });
  await day(/^Tuesday, March 4, 2031, \d+ promotions? runs?$/).waitFor();
  expect(await accessFaults(page)).toEqual([]);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  // The hour stays; the calendar gives the focus back.
  await expect.poll(() => starts.inputValue()).toBe('2031-03-12T10:30');
  await expect
    .poll(() =>
      page
        .getByRole('button', { name: 'Pick a day' })
        .first()
        .evaluate((one) => one === document.activeElement),
    )
    .toBe(true);
  // Escape closes the calendar alone.
  await page.keyboard.press('Enter');
  await day(/^Wednesday, March 12, 2031/).waitFor();
  await page.keyboard.press('Escape');
  await day(/^Wednesday, March 12, 2031/).waitFor({ state: 'detached' });
  await starts.waitFor();
  await page.context().close();
});

test('the list has a line each where one likes, and again when one comes back', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan');
  await settled(page);
  const sentence = page
    .getByText(/all shoppers pay/)
    .locator('visible=true')
    .first();
  await sentence.waitFor();
  await page.getByRole('button', { name: 'One line each' }).click();
  await sentence.waitFor({ state: 'detached' });
  await page.reload();
  await settled(page);
  await page.getByRole('button', { name: 'With their sentences' }).click();
  await sentence.waitFor();
  await page.context().close();
});

test('the same again next week for many, after seeing what it would do', async () => {
  const rufus = await as('rufus');
  for (const id of ['many-a', 'many-b'])
    await rufus.send('POST', '/api/promotions', { promotion: named(id) });
  const { page } = await sitDown(browser, 'rufus');
  await page.goto('/plan');
  await settled(page);
  await page.getByRole('searchbox').fill('Named many');
  await page.getByRole('button', { name: 'Choose all shown' }).click();
  await page.getByRole('button', { name: 'Same again' }).click();
  await page.getByText('No price of this moment would change.').waitFor();
  await page.getByRole('button', { name: 'Same again all 2' }).click();
  await page.getByText('Same again: done for 2.').waitFor();
  const all = (await rufus.get('/api/promotions')).body.filter(({ name }: any) =>
    name.startsWith('Named many'),
  );
  expect(all.map(({ from, status }: any) => `${from} ${status}`).toSorted()).toEqual([
    '2031-03-03T09:00 draft',
    '2031-03-03T09:00 draft',
    '2031-03-10T09:00 draft',
    '2031-03-10T09:00 draft',
  ]);
  await page.context().close();
});

test('in the calendar a promotion is moved by keys, with what it would do beside, and put back', async () => {
  const rufus = await as('rufus');
  await rufus.send('POST', '/api/promotions', { promotion: named('dragged') });
  const { page } = await sitDown(browser, 'rufus');
  await page.goto('/plan/calendar?at=2031-03-05T12:00');
  await settled(page);
  const bar = page.getByRole('button', { name: 'Named dragged: move it' }).first();
  await bar.focus();
  await page.keyboard.press('Space');
  const beside = page.getByRole('complementary', { name: 'What it would do' });
  await beside.waitFor();
  await page.keyboard.press('ArrowRight');
  await beside.getByText(/^Tue 4 Mar, 9:00/).waitFor();
  await page.keyboard.press('ArrowRight');
  await beside.getByText(/^Wed 5 Mar, 9:00/).waitFor();
  await beside.getByText(/items change price/).waitFor();
  await page.keyboard.press('Space');
  await page.getByText(/Named dragged now runs from Wed 5 Mar/).waitFor();
  const whenOf = async () => (await rufus.get('/api/promotions/dragged')).body.promotion.when;
  expect(await whenOf()).toEqual({ from: '2031-03-05T09:00', to: '2031-03-11T20:00' });
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByText('Back where it was.').waitFor();
  expect(await whenOf()).toEqual({ from: '2031-03-03T09:00', to: '2031-03-09T20:00' });
  await page.context().close();
});

test('in the calendar a promotion is dragged by the pointer, and let go a day later', async () => {
  const rufus = await as('rufus');
  await rufus.send('POST', '/api/promotions', { promotion: named('pulled') });
  const { page } = await sitDown(browser, 'rufus');
  await page.goto('/plan/calendar?at=2031-03-05T12:00');
  await settled(page);
  const bar = page.getByRole('button', { name: 'Named pulled: move it' }).first();
  // Others have bars of their own that week: this one may lie below the window, and moves while they come.
  await atRest(page);
  await bar.hover();
  const box = (await bar.boundingBox())!;
  // The bar is six days and eleven hours long.
  const day = box.width / (6 + 11 / 24);
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(middle.x, middle.y);
  await page.mouse.down();
  await page.mouse.move(middle.x + day, middle.y, { steps: 12 });
  const beside = page.getByRole('complementary', { name: 'What it would do' });
  await beside.getByText(/^Tue 4 Mar, 9:00/).waitFor();
  await page.mouse.up();
  await page.getByText(/Named pulled now runs from Tue 4 Mar/).waitFor();
  expect((await rufus.get('/api/promotions/pulled')).body.promotion.when).toEqual({
    from: '2031-03-04T09:00',
    to: '2031-03-10T20:00',
  });
  await page.context().close();
});

test('supplier terms: the margin counts with them, and a promotion that outlives them is told', async () => {
  const { page } = await sitDown(browser, 'ines');
  await (await as('ines')).send('POST', '/api/promotions', { promotion: named('termed') });
  await page.goto('/plan/termed');
  await settled(page);
  await openPart(page, /^Supplier terms:/);
  await page.getByRole('button', { name: 'Note the supplier’s terms' }).click();
  await page.getByLabel('up to and on').fill('2031-03-05');
  await page.getByLabel('Sold above an ordinary week, in %').fill('75');
  await page.getByText(/It runs on 4 days after the last day of buying.*1\.0 weeks/).waitFor();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByText('Saved.').waitFor();
  expect((await (await as('ines')).get('/api/promotions/termed')).body.promotion.supplier).toEqual({
    from: '2031-03-03',
    to: '2031-03-05',
    uplift: 7500,
  });
  await page.context().close();
});

test('a trial basket: goods put in, a deal found, what is nearly reached pressed, a link to share', async () => {
  const deal = {
    ...named('tea-deal', { where: { stores: ['s001'] } }),
    offer: { kind: 'mixAndMatch', items: { items: ['Q100042'] }, take: 3, value: { total: '2.00' } },
  };
  await saveApproved(deal);
  const { page } = await sitDown(browser, 'tove');
  await page.goto('/check/basket?where=s001&at=2031-03-05T12:00');
  await settled(page);
  await page.getByRole('combobox', { name: 'Find an item' }).fill('Q100042');
  await page.getByRole('option', { name: /Q100042/ }).click();
  await page.getByText(/2 more for Named tea-deal/).waitFor();
  await page.getByRole('button', { name: 'Add 2' }).click();
  const receipt = page.getByRole('region', { name: 'Receipt' });
  await receipt.getByText('Named tea-deal (3)').waitFor();
  await page.getByText(/would save more: proved/).waitFor();
  await expect.poll(() => receipt.getByRole('status').textContent()).toContain('2.00');
  expect(new URL(page.url()).searchParams.get('lines')).toBe('Q100042*3');
  await page.getByRole('textbox', { name: /^Quantity of/ }).fill('0.5');
  await page.getByText(/is no quantity of Q100042/).waitFor();
  await page.getByRole('textbox', { name: /^Quantity of/ }).fill('1');
  await page.getByText('No deal applies').waitFor();
  await page.context().close();
});

test('a barcode that is scanned shows its price; one that nobody knows is said to be unknown', async () => {
  const { page } = await sitDown(browser, 'tove');
  await page.goto('/check/price');
  await settled(page);
  await page.getByRole('combobox', { name: 'Find an item' }).fill('2000000000015');
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name: 'Harrowmint Vitamin C 60 tablets' }).waitFor();
  await page.getByLabel('The year').check({ force: true });
  await page.getByText('before that').waitFor();
  await page.getByRole('combobox', { name: 'Find an item' }).fill('2000000000336000');
  await page.getByRole('combobox', { name: 'Find an item' }).fill('40000000');
  await page.keyboard.press('Enter');
  await page.getByText('No item has the barcode 40000000.').waitFor();
  await page.context().close();
});

test('another day pressed while one writes keeps what is written, however fast', async () => {
  const { page } = await sitDown(browser, 'ines');
  const day = (at: number) => page.getByRole('navigation', { name: 'Days' }).getByRole('link').nth(at);
  await page.goto('/plan/new');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Written on the way');
  await day(12).click();
  await page.waitForURL(/at=.*draft=new-/);
  await expect.poll(() => page.getByLabel('Name for colleagues').inputValue()).toBe('Written on the way');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Written further');
  await page.getByRole('button', { name: /^Look as whom/ }).press('Enter');
  await page.getByRole('option').nth(1).click();
  await page.waitForURL(/for=/);
  await expect.poll(() => page.getByLabel('Name for colleagues').inputValue()).toBe('Written further');
  // A basket and new regular prices go along too.
  await page.goto('/check/basket?where=s001');
  await settled(page);
  await page.getByRole('combobox', { name: 'Find an item' }).fill('Q100042');
  await page.getByRole('option', { name: /Q100042/ }).click();
  await page.getByLabel(/^Quantity of /).waitFor();
  await day(12).click();
  await page.waitForURL(/at=/);
  await page.getByLabel(/^Quantity of /).waitFor();
  await page.goto('/stockroom/reprice');
  await settled(page);
  await page.getByRole('button', { name: '+ a pass over some goods' }).click();
  await page.keyboard.press('Escape');
  await day(12).click();
  await page.waitForURL(/at=/);
  await page.getByRole('button', { name: /^Pass 1, how the price comes about/ }).waitFor();
  // Ctrl K can be typed into at once.
  await settled(page);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Q100042');
  await expect.poll(() => page.getByRole('combobox', { name: 'Go anywhere' }).inputValue()).toBe('Q100042');
  await page.context().close();
});

test('Enter right after fast typing takes what stands in the box, never an older suggestion', async () => {
  const { page } = await sitDown(browser, 'odile');
  await page.goto('/check/price');
  await settled(page);
  const box = page.getByRole('combobox', { name: 'Find an item' });
  await box.pressSequentially('Q10004', { delay: 40 });
  await page.getByRole('option').first().waitFor();
  await box.pressSequentially('2', { delay: 0 });
  await box.press('Enter');
  await page.getByRole('link', { name: 'Q100042' }).waitFor();
  expect(new URL(page.url()).searchParams.get('item')).toBe('Q100042');
  // The same where goods are chosen: the number that was typed, and nothing that stood there before.
  await page.goto('/check/basket?where=s001');
  await settled(page);
  const goods = page.getByRole('combobox', { name: 'Find an item' });
  await goods.pressSequentially('Q103453', { delay: 0 });
  await goods.press('Enter');
  await page.getByLabel(/^Quantity of /).waitFor();
  expect(new URL(page.url()).searchParams.get('lines')).toMatch(/^Q103453/);
  await page.context().close();
  // And where a group of goods has the very name, beside the items that only have it among others.
  const ines = await sitDown(browser, 'ines');
  await ines.page.goto('/plan/new');
  await settled(ines.page);
  await ines.page.getByRole('button', { name: /goods to choose/ }).press('Enter');
  const find = ines.page.getByRole('combobox', { name: 'Goods' });
  await find.pressSequentially('toothpaste', { delay: 0 });
  await find.press('Enter');
  await ines.page.getByRole('button', { name: 'Goods: Toothpaste' }).waitFor();
  await ines.page.context().close();
});

test('promotions are put in another order by keys, which says what that does before it is saved', async () => {
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/plan');
  await page.getByRole('link', { name: 'Order and combinations' }).click();
  const list = page.getByRole('list', { name: 'Order of the promotions' });
  await list.getByRole('listitem').first().waitFor();
  await page.getByRole('button', { name: 'Move Shampoo, a little less' }).focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('Home');
  await page.keyboard.press('Space');
  await expect
    .poll(() => list.getByRole('listitem').first().textContent())
    .toMatch(/70.+Shampoo, a little less/);
  const effect = page.getByRole('region', { name: 'What it would do to prices' });
  await effect.getByText(/items in 48 stores/).waitFor({ timeout: 30_000 });
  await expect.poll(() => effect.textContent()).toMatch(/prices rise, 0 fall/);
  expect(await accessFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'As it was' }).click();
  await page.getByText('Who goes with whom').click();
  const cell = page.getByRole('button', {
    name: 'Five off from sixty and Members: a little off the basket: both count',
  });
  await cell.click();
  await effect.waitFor();
  await page.getByRole('button', { name: 'Save one promotion' }).click();
  await page.getByText(/Written beside what is approved/).waitFor();
  await page.getByText('Who goes first').click();
  await expect.poll(() => list.getByText('a change of it waits').count()).toBeGreaterThan(0);
  expect(complaints).toEqual([]);
});
