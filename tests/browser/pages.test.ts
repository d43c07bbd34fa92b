import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it, test } from 'vitest';
import { as } from '../application/client.ts';
import type { DemoName } from '../application/running.ts';
import { accessFaults, atRest, DESK, openBrowser, openPart, PHONE, settled, sitDown } from './desk.ts';

let browser: Browser;
/** A change of regular prices that waits, so that the page of such changes has something to show. */
let waiting: number;
beforeAll(async () => {
  browser = await openBrowser();
  const ines = await as('ines');
  const { rows } = (await ines.get('/api/stockroom/prices?limit=3')).body;
  const edits = rows.map(({ key }: { key: string }) => ({ key, cells: { price: '98.76' } }));
  const saved = await ines.send('POST', '/api/stockroom/prices', { edits, drops: [] });
  expect(saved.status).toBe(200);
  waiting = saved.body.waits;
});
afterAll(async () => {
  await (await as('ines')).send('POST', `/api/waiting-entries/${waiting}`, { step: 'drop' });
  await browser.close();
});

const PAGES = [
  '/today',
  '/plan',
  '/plan/new',
  '/plan/begin?aim=bigger',
  '/plan/new?aim=bigger.along.kit',
  '/plan/face-week?where=group:city',
  '/plan/no-such-promotion',
  '/check?against=date&other=2026-11-20T09:00&changed=1',
  '/check/price?item=Q103453&where=s003&for=members',
  '/check/price?item=no-such-item',
  '/check/timeline?item=Q103453&where=group:city&span=quarter',
  '/check/basket?lines=Q100001*3,Q100042*2',
  '/check/findings',
  '/check/history',
  '/check/rung?item=Q103453',
  '/send',
  '/send/tags?at=2026-12-05T12:00',
  '/send/terminal/s002-1',
  '/stockroom',
  '/stockroom/item/Q103453',
  '/stockroom/item/no-such-item',
  '/stockroom/items',
  '/stockroom/ranges',
  '/stockroom/set/summer',
  '/stockroom/store/s001',
  '/stockroom/codes',
  '/stockroom/files',
  '/stockroom/reprice',
  '/stockroom/waiting',
  '/plan/calendar',
];

/** Looked at through a low window: a sheet draws the rows that are seen, and one is like the other to axe. */
const SHEETS = [
  '/check?against=date&other=2026-11-20T09:00&changed=1',
  '/stockroom/items',
  '/stockroom/ranges',
  '/stockroom/store/s001',
];

const MANY_ROWS = ['/send', '/stockroom'];

/** What a narrow grip does, keys on the bar and the page of the promotion do too (WCAG 2.5.8, equivalent control). */
const EXCEPT: Readonly<Record<string, string[]>> = {
  '/plan/calendar': ['target-size'],
  '/check/timeline?item=Q103453&where=group:city&span=quarter': ['target-size'],
};

/** Between them they show every colour of the dark theme. */
const BY_NIGHT = ['/today', '/plan/new', '/check/price?item=Q103453&where=s003&for=members', '/stockroom'];

/** Texts that are set smaller than anybody should have to read, in short. */
const tooSmall = (page: Page) =>
  page.evaluate(() => {
    const small: string[] = [];
    for (const element of document.querySelectorAll<HTMLElement>('body *')) {
      const own = [...element.childNodes].some(
        ({ nodeType, textContent }) => nodeType === 3 && textContent!.trim(),
      );
      // What is typed or chosen is text too.
      const typed = element.matches('input:not([type=checkbox], [type=radio]), select, textarea');
      const seen = (own || typed) && element.checkVisibility() && element.getClientRects().length > 0;
      if (!seen || element.closest('.sr-only, svg')) continue;
      const size = Number.parseFloat(getComputedStyle(element).fontSize);
      if (size < 13)
        small.push(`${size}px: ${element.textContent!.trim().slice(0, 40)} (${element.className})`);
    }
    return small.slice(0, 8);
  });

/** People who sit down once and look at one page after another, each at a desk of their own. */
const free: { readonly name: DemoName; readonly seat: Awaited<ReturnType<typeof sitDown>> }[] = [];
async function seated<T>(
  name: DemoName,
  look: (seat: Awaited<ReturnType<typeof sitDown>>) => Promise<T>,
): Promise<T> {
  const at = free.findIndex((one) => one.name === name);
  const seat = at < 0 ? await sitDown(browser, name) : free.splice(at, 1)[0]!.seat;
  const seen = await look(seat);
  free.push({ name, seat });
  return seen;
}

/** Whether something sticks out to the side: a phone in the aisle must not scroll both ways. */
const sticksOut = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth > document.documentElement.clientWidth);

describe('at the desk', () => {
  it('the sign-in page has no fault that axe finds', async () => {
    const { page, complaints } = await sitDown(browser, null);
    await page.goto('/sign-in');
    await page.getByRole('heading', { name: /Plan the prices/ }).waitFor();
    expect(await accessFaults(page)).toEqual([]);
    expect(complaints).toEqual([]);
    await page.context().close();
  });

  // Two at once: most of a page's time is spent waiting for it to be still.
  it.concurrent.each(PAGES)('%s has no fault that axe finds, and fits on a phone', (path) =>
    // A store's person has few rows: what axe looks at are kinds of elements, not their number.
    seated(MANY_ROWS.includes(path) ? 'tove' : 'rufus', async ({ page, complaints }) => {
      await page.setViewportSize(SHEETS.includes(path) ? { ...DESK, height: 480 } : DESK);
      complaints.length = 0;
      await page.goto(path);
      await atRest(page);
      expect(await accessFaults(page, { except: EXCEPT[path] })).toEqual([]);
      if (BY_NIGHT.includes(path)) {
        await page.evaluate(() => document.documentElement.setAttribute('data-theme', 'ink'));
        expect(await accessFaults(page, { rules: ['color-contrast'] })).toEqual([]);
      }
      expect(await tooSmall(page)).toEqual([]);
      await page.setViewportSize(PHONE);
      expect(await sticksOut(page)).toBe(false);
      // What the content policy keeps out, a browser says on its console; so it does what is not there.
      const asked = (line: string) => !(path.includes('no-such') && line.includes('404'));
      expect(complaints.filter(asked)).toEqual([]);
    }),
  );
});

async function walkThrough(paths: readonly string[]): Promise<void> {
  const { page } = await sitDown(browser, 'rufus', PHONE);
  for (const path of paths) {
    await page.goto(path);
    await atRest(page);
    expect(await sticksOut(page), path).toBe(false);
    expect(await accessFaults(page), path).toEqual([]);
  }
  await page.context().close();
}

describe('on the phone', () => {
  it('the pages for the aisle fit, and have no fault that axe finds', async () => {
    const aisle = PAGES.filter((path) => path.startsWith('/today') || path.startsWith('/check'));
    await Promise.all([0, 1].map((lane) => walkThrough(aisle.filter((_, i) => i % 2 === lane))));
  });
});

test('every panel of the deal sentence has no fault that axe finds, and Escape gives the focus back', async () => {
  const parts = [
    /^When:/,
    /^Where:/,
    /^For whom:/,
    /^How the price comes about:/,
    /^Rounding:/,
    /^Goods:/,
    /^Priority:/,
  ];
  const { page } = await sitDown(browser, 'ines');
  await page.goto('/plan/new');
  await settled(page);
  await page.getByRole('button', { name: '+ rounding' }).click();
  await page.keyboard.press('Escape');
  for (const part of parts) {
    await openPart(page, part);
    expect(await accessFaults(page, { within: '[data-panel]' }), String(part)).toEqual([]);
    await page.keyboard.press('Escape');
    const button = page.getByRole('main').getByRole('button', { name: part });
    await expect.poll(() => button.getAttribute('aria-expanded')).toBe('false');
    await expect.poll(() => button.evaluate((element) => element === document.activeElement)).toBe(true);
  }
  await page.context().close();
});
