import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as } from '../application/client.ts';
import { accessFaults, atRest, openBrowser, openPart, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

/** Chooses goods in the panel that is open. */
async function choose(page: Page, goods: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Goods' }).fill(goods);
  await page
    .getByRole('option', { name: new RegExp(`^${goods}`, 'i') })
    .first()
    .click();
  await page.keyboard.press('Escape');
}
const does = (page: Page) => page.getByRole('region', { name: 'What it does' });
const saved = async (page: Page) => {
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByText('Saved.').waitFor();
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  return (await (await as('ines')).get(`/api/promotions/${id}`)).body.promotion;
};

test('from an aim, by two questions, to a deal with its goods, its price and what it does', async () => {
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/plan');
  await settled(page);
  await page.getByRole('link', { name: 'New promotion' }).click();
  await page.getByRole('link', { name: 'Match a neighbour' }).click();
  await page
    .getByRole('link', { name: /^Several for one price/ })
    .first()
    .click();
  await page.getByText('The same number for a little less.').waitFor();
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Two teas for a price');
  await openPart(page, /^Goods:/);
  await choose(page, 'teas');
  await openPart(page, /^What shoppers pay:/);
  await page.getByLabel('in EUR').fill('0,99');
  await page.keyboard.press('Escape');
  await does(page).getByText('never').first().waitFor();
  await does(page)
    .getByText(/baskets below are sold below cost/)
    .waitFor();
  const receipt = does(page).getByRole('region', { name: 'Receipt' });
  await receipt.getByText('Two teas for a price (2)').waitFor();
  expect(await accessFaults(page)).toEqual([]);
  const { offer } = await saved(page);
  expect(offer).toEqual({
    kind: 'mixAndMatch',
    items: { node: 'teas' },
    take: 2,
    value: { total: '0.99' },
  });
  await page.reload();
  await atRest(page);
  await expect
    .poll(() => page.getByRole('main').textContent())
    .toContain('get How many: 2 of Goods: Teas What shoppers pay: for 0.99 EUR.');
  expect(complaints).toEqual([]);
  await page.context().close();
});

test('a quantity break: tiers added and read as on the shelf, a dear tier told of', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/new?kind=quantityBreak');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('The more tea');
  await openPart(page, /^Goods:/);
  await choose(page, 'teas');
  await openPart(page, /^Tiers:/);
  await page.getByRole('button', { name: 'Another tier' }).click();
  await page.getByLabel('in %').nth(1).fill('10');
  await page.keyboard.press('Escape');
  await does(page).getByText('The tier from 6 gives no more than the one from 3.').waitFor();
  await openPart(page, /^Tiers:/);
  await page.getByLabel('in %').nth(1).fill('25');
  await page.keyboard.press('Escape');
  await does(page).getByRole('rowheader', { name: '6 or more' }).waitFor();
  await does(page).getByText('The tier from 6').waitFor({ state: 'detached' });
  expect((await saved(page)).offer.tiers).toEqual([
    { atLeast: 3, percentOff: 1_000 },
    { atLeast: 6, percentOff: 2_500 },
  ]);
  await page.context().close();
});

test('a combo: choices named and filled, one more, a price that is dearer than its parts told of', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/new?kind=combo');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Tea and plasters');
  const fillIn = async (name: string, goods: string) => {
    await page.getByLabel('What the till calls it').fill(name);
    await choose(page, goods);
  };
  const fill = async (part: RegExp, name: string, goods: string) => {
    await openPart(page, part);
    await fillIn(name, goods);
  };
  await fill(/^A choice: First/, 'Tea', 'teas');
  await fill(/^A choice: Second/, 'Plasters', 'plasters');
  await page.getByRole('button', { name: '+ another choice' }).click();
  await page.getByText('To save it, give it the goods.').waitFor();
  // What was added is open for its goods at once.
  await fillIn('More tea', 'teas');
  await page.getByRole('button', { name: 'A choice: More tea (Teas)' }).waitFor();
  await openPart(page, /^What shoppers pay:/);
  await page.getByLabel('in EUR').fill('500');
  await page.keyboard.press('Escape');
  await does(page)
    .getByText(/asks 500.00 for what costs at most .* Nobody is helped/)
    .waitFor();
  await openPart(page, /^What shoppers pay:/);
  // The part of the sentence goes with the one price that it said.
  await page.getByLabel(/Every choice has a price/).click();
  await page.getByRole('button', { name: /^one price together/ }).waitFor();
  await page.keyboard.press('Escape');
  await openPart(page, /^A choice: Tea \(Teas\) at 1/);
  await page.getByLabel('Price for each, in EUR').fill('1.20');
  await page.keyboard.press('Escape');
  const { offer } = await saved(page);
  expect(offer.slots.map(({ name, each }: any) => [name, each])).toEqual([
    ['Tea', '1.20'],
    ['Plasters', '1'],
    ['More tea', '1'],
  ]);
  expect(offer.value).toBeUndefined();
  await page.context().close();
});

test('rewards, free goods and their bounds are written and kept', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/new?kind=basketReward');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Ten off');
  await page.getByRole('button', { name: /^conditions/ }).press('Enter');
  const paid = page.getByRole('group', { name: 'Paid by one of these' });
  for (const way of ['card', 'cash']) await paid.getByLabel(way, { exact: true }).check();
  await page.keyboard.press('Escape');
  // Which rewards it stands beside is chosen by their names.
  await page.getByRole('button', { name: /most, and with other deals/ }).press('Enter');
  await page.getByLabel('It goes together').selectOption('with some other rewards only');
  await page.getByLabel('Five off from sixty').check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Codes/ }).press('Enter');
  await page.getByLabel(/Only with one of these codes/).fill('TEN TWENTY');
  await page.keyboard.press('Escape');
  await does(page).getByRole('table').waitFor();
  expect(await saved(page)).toMatchObject({
    codes: ['TEN', 'TWENTY'],
    offer: {
      conditions: { payments: ['card', 'cash'] },
      tiers: [{ atLeast: '30', amountOff: '5' }],
      combinesWith: ['reward-1'],
    },
  });
  await page.goto('/plan/new?kind=freeGoods');
  await settled(page);
  await page.getByLabel('Name for colleagues').fill('Tea on top');
  await openPart(page, /^Goods:/);
  await choose(page, 'teas');
  await openPart(page, /^How many are free:/);
  await page.getByRole('combobox', { name: 'The item that is given' }).fill('Q100042');
  await page.getByRole('option', { name: /Q100042/ }).click();
  await page.keyboard.press('Escape');
  await does(page)
    .getByText(/as a gift/)
    .first()
    .waitFor();
  await page.getByRole('button', { name: /^Limits/ }).press('Enter');
  await page.getByLabel('At most so many times a basket').fill('2');
  await page.keyboard.press('Escape');
  expect(await saved(page)).toMatchObject({
    limitPerBasket: 2,
    offer: { gift: 'Q100042', every: 4, free: 1 },
  });
  await page.context().close();
});

test('a basket is kept as a check, rung elsewhere beside, and thrown away', async () => {
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/check/basket?where=s001&lines=Q100042*2');
  await settled(page);
  await page.getByLabel('Keep this basket as').fill('Two teas, cheap');
  // What is offered as its price follows the basket, until something else is typed.
  const offered = () => page.getByLabel('EUR').inputValue();
  await expect.poll(offered).toMatch(/^\d/);
  const ofTwo = await offered();
  // So many that no free one makes up for it.
  await page.getByLabel(/^Quantity of/).fill('9');
  await expect.poll(offered).not.toBe(ofTwo);
  await page.getByLabel(/^Quantity of/).fill('2');
  await expect.poll(offered).toBe(ofTwo);
  await page.getByLabel('EUR').fill('0.10');
  await page.getByRole('button', { name: 'Keep it' }).click();
  const kept = page.getByRole('listitem').filter({ hasText: 'Two teas, cheap' });
  await kept.getByText(/costs .*: fails/).waitFor();
  await page.getByRole('button', { name: /at another date or store/ }).click();
  await page
    .getByRole('region', { name: 'The same basket elsewhere' })
    .getByText(/there, /)
    .waitFor();
  expect(await accessFaults(page)).toEqual([]);
  await page.goto('/today?where=s001');
  await page.getByText('Two teas, cheap').click();
  await settled(page);
  expect(new URL(page.url()).searchParams.get('lines')).toBe('Q100042*2');
  await kept.getByRole('button', { name: /throw away/ }).click();
  await kept.waitFor({ state: 'detached' });
  await page.context().close();
});

test('what a deal would bring is worked out as one assumes, and the week in sum', async () => {
  const { page, complaints } = await sitDown(browser, 'ines');
  await page.goto('/plan/deal-005');
  await settled(page);
  const brings = page.getByRole('region', { name: 'What it would bring' });
  await brings.getByRole('button', { name: 'What it would bring' }).click();
  const sum = brings.getByText(/^In 14 days it takes/);
  await sum.waitFor({ timeout: 30_000 });
  const first = await sum.textContent();
  await brings.getByLabel('Percent more of what gets cheaper').fill('5');
  await brings.getByText(/earns .+ less\./).waitFor();
  await expect.poll(() => sum.textContent()).not.toBe(first);
  await brings.getByLabel('Percent of its goods that are bought by the deal').fill('all');
  await brings.getByRole('alert').waitFor();
  await brings.getByRole('radio', { name: 'Margin' }).check({ force: true });
  await expect.poll(() => brings.getByRole('row').count()).toBeGreaterThan(20);
  expect(await accessFaults(page)).toEqual([]);
  await page.goto('/plan');
  await page.getByRole('link', { name: 'The week in sum' }).click();
  const departments = page.getByRole('region', { name: 'By department' });
  await departments.getByRole('row').filter({ hasText: 'Beauty' }).waitFor({ timeout: 30_000 });
  await expect.poll(() => departments.getByRole('row').count()).toBe(8);
  expect(await accessFaults(page)).toEqual([]);
  expect(complaints).toEqual([]);
});
