import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as } from '../application/client.ts';
import { atRest, DESK, openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

const SKU = 'Q103453';
/** As the language itself writes it, whatever our own code makes of it. */
const says = (language: string, date: string) =>
  new Intl.DateTimeFormat(language, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${date}T00:00Z`));

const PAGES = [
  '/today',
  '/plan',
  '/plan/calendar',
  `/check/price?item=${SKU}`,
  '/check',
  `/stockroom/item/${SKU}`,
  '/send',
];

test.each([
  ['de-DE', PAGES],
  ['zh-TW', ['/today']],
] as const)(
  'who reads %s finds dates and amounts so written on the pages, in the first paint and after it',
  async (language, pages) => {
    const { page, complaints } = await sitDown(browser, 'ines', DESK, language);
    const { body } = await (await as('ines')).get('/api/promotions');
    const open = body.find(({ kind, to }: any) => kind === 'priceChange' && to !== null);
    for (const path of [...pages, `/plan/${open.id}`]) {
      await page.goto(path);
      await atRest(page);
      const text = (await page.locator('main').textContent()) ?? '';
      expect(text, path).not.toMatch(/\b\d{4}-\d\d-\d\d\b/);
      expect(text, path).not.toMatch(/\b(Mon|Tue|Wed|Thu|Fri|Sat|Sun),? \d/);
      // Names of promotions may have a price in them.
      if (language === 'de-DE' && path.includes(SKU)) expect(text).not.toMatch(/\d\.\d\d(?!\d)/);
    }
    const sentence = (await page.locator('main').textContent()) ?? '';
    const spaces = (words: string) => words.replaceAll(/\s+/g, ' ');
    expect(spaces(sentence)).toContain(spaces(says(language, open.from.slice(0, 10))));
    // A page that the browser would write otherwise than the server did is told by the console.
    expect(complaints).toEqual([]);
  },
);

test('two who read at the same time are each answered in their own way', async () => {
  const { page } = await sitDown(browser, 'ines');
  const languages = ['de-DE', 'en-US', 'de-DE', 'sv-SE', 'en-US', 'sv-SE'];
  const headings = await Promise.all(
    languages.map(async (language) => {
      const reply = await page.request.get('/today', { headers: { 'accept-language': language } });
      return /<h1[^>]*>([^<]*)<\/h1>/.exec(await reply.text())?.[1];
    }),
  );
  expect(headings[0]).toMatch(/^\p{L}{2}\., \d{1,2}\. \p{L}+\.? \d{4}$/u);
  expect(headings[1]).toMatch(/^\p{L}{3}, \p{L}{3} \d{1,2}, \d{4}$/u);
  expect(headings[3]).toMatch(/^\p{L}+ \d{1,2} \p{L}+\.? \d{4}$/u);
  expect([headings[2], headings[4], headings[5]]).toEqual([headings[0], headings[1], headings[3]]);
});

test.each([
  ['de-DE', '1.3.2029', '1.000', ['1. März 2029', '1.000,00']],
  ['en-US', '3/1/2029', '1,250.50', ['Mar 1, 2029', '1,250.50']],
  ['en-GB', '1/3/2029', '1,250.50', ['1 Mar 2029', '1,250.50']],
] as const)(
  'who reads %s and types %s and %s is understood, and finds it so written again',
  async (language, since, price, shown) => {
    const { page } = await sitDown(browser, 'ines', DESK, language);
    await page.goto('/stockroom/prices');
    await settled(page);
    await page.getByRole('button', { name: 'Add a regular price' }).click();
    const form = page.getByRole('form', { name: 'New regular price' });
    await form.getByLabel(/^Item number/).fill('Q100010');
    await form.getByLabel(/^Counts in/).fill('the chain');
    await form.getByLabel(/^From/).fill(since);
    await form.getByLabel(/^Price/).fill(price);
    await form.getByRole('button', { name: 'Add it' }).click();
    await page.getByRole('link', { name: /waits/ }).first().click();
    await settled(page);
    const waits = page
      .getByRole('region', { name: 'Regular prices, by Ines Calloway' })
      .filter({ hasText: 'Q100010' });
    for (const words of shown) await expect.poll(() => waits.textContent()).toContain(words);
    await waits.getByRole('button', { name: /Take .*back|Drop/ }).click();
    await waits.waitFor({ state: 'detached' });
  },
);
