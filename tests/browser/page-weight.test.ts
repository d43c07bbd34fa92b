import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { atRest, openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

/** kB of script as they come over the wire, until the page is at rest. */
const READ = 25;
const WORKED_ON = 100;
const BUDGET: readonly [string, number][] = [
  ['/today', READ],
  ['/plan/begin', READ],
  ['/stockroom', READ],
  ['/plan', WORKED_ON],
  ['/plan/calendar', WORKED_ON],
  ['/check', WORKED_ON],
  ['/check/findings', WORKED_ON],
  ['/check/loopholes', WORKED_ON],
  ['/send', WORKED_ON],
  ['/stockroom/people', WORKED_ON],
  ['/stockroom/chain', WORKED_ON],
  // A box to find goods by is most of what these have beyond the others.
  ['/check/price?item=Q100042', 105],
  ['/check/basket', 110],
  // Wanted: 130.
  ['/plan/new', 205],
];

test.each(BUDGET)('%s brings at most %i kB of script', async (path, most) => {
  // Somebody who has not been here before: nothing is at hand yet.
  const { page } = await sitDown(browser, 'basil');
  const sizes: Promise<number>[] = [];
  page.on('requestfinished', (request) => {
    if (request.resourceType() === 'script')
      sizes.push(request.sizes().then(({ responseBodySize }) => responseBodySize));
  });
  await page.goto(path);
  await settled(page);
  await atRest(page);
  const weights = await Promise.all(sizes);
  await page.context().close();
  expect(weights.length).toBeGreaterThan(0);
  expect(weights.reduce((sum, bytes) => sum + bytes, 0) / 1000).toBeLessThanOrEqual(most);
});
