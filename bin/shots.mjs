#!/usr/bin/env node
// npm run shots: a picture of each main view, from the demo data, into docs/screenshots.
import { mkdirSync } from 'node:fs';
import { ensureChromium } from './set-up/chromium.mjs';
import { ensurePackages } from './set-up/packages.mjs';
import { inRoot } from './set-up/paths.mjs';
import { freePort } from './set-up/ports.mjs';
import { startEverything } from './set-up/running.mjs';
import { run, say } from './set-up/say.mjs';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Opens the goods of a new price change, so that what it does stands beside. */
async function writeDraft(page) {
  await page.getByLabel('Name for colleagues').fill('Sun care for the long weekend');
  await page
    .getByRole('main')
    .getByRole('button', { name: /^Goods:/ })
    .press('Enter');
  await page.getByRole('combobox', { name: 'Goods' }).fill('sun care');
  await page
    .getByRole('option', { name: /Sun care/ })
    .first()
    .click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: '+ rounding' }).click();
  await page.keyboard.press('Escape');
  await page.getByText(/of \d+ items change price/).waitFor();
  await page
    .getByRole('region', { name: 'What may be wrong' })
    .and(page.locator('[aria-busy=false]'))
    .waitFor({ timeout: 60_000 });
}

/** A worksheet over the teas, with a second pass and a line by hand. */
async function layOut(page) {
  await writeDraft(page);
  await page.getByRole('button', { name: '+ lines in a worksheet' }).click();
  const sheet = page.getByRole('grid', { name: 'Lines of the worksheet' });
  await sheet.focus();
  const heads = await sheet.getByRole('columnheader').allInnerTexts();
  const steps = heads.findIndex((head) => head.trim() === 'New');
  for (let i = 0; i < steps; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.type('9.99');
  await page.keyboard.press('Enter');
  await page.getByText('By hand 1').waitFor();
  await page.getByRole('heading', { name: 'Worksheet' }).evaluate((heading) => heading.scrollIntoView());
}

/** A file with faults of several kinds. */
async function chooseFile(page) {
  const lines = [
    'SKU;Description;Category;EAN;Cost price',
    'Q100033;Brisholt Plasters 20 pieces;plasters;2000000000329;2,10',
    'Q900001;Brisholt Plasters 60 pieces;plasters;2000000000328;3,10',
    'Q900002;Brisholt Foot plasters;foot-plasters;;1,234',
    'Q900002;Brisholt Foot plasters;plasters;;1,23',
  ];
  const buffer = Buffer.from(lines.join('\n'));
  await page
    .getByLabel('The file', { exact: true })
    .setInputFiles({ name: 'items.csv', mimeType: 'text/csv', buffer });
  await page.getByText('would be added').waitFor();
}

const toldApart = (page) => page.getByText(/still to do|Nothing changes/).waitFor();
const foundAll = (page) => page.getByRole('list', { name: 'Findings' }).waitFor({ timeout: 60_000 });

/** A wall time so many days from now. */
const inDays = (days) => `${new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)}T09:00`;

async function heldAgainst(page) {
  const sheet = page.getByRole('grid', { name: 'Prices of goods by stores' });
  await sheet.getByRole('gridcell', { name: /was/ }).first().waitFor();
  await sheet.getByRole('gridcell', { name: /was/ }).first().click();
  await page.getByText('Why this price').waitFor();
}

const searched = (page) =>
  page.getByRole('region', { name: 'Leave less than nothing' }).waitFor({ timeout: 60_000 });
const addedUp = (page) => page.getByRole('region', { name: 'By department' }).waitFor({ timeout: 60_000 });
async function moveOne(page) {
  await page.getByRole('button', { name: 'Move Shampoo, a little less' }).focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('End');
  await page.keyboard.press('Home');
  await page.keyboard.press('Space');
  await page.getByText(/items in 48 stores|No price of the next/).waitFor({ timeout: 30_000 });
}
const drawn = (page) => page.getByRole('region', { name: 'Its steps' }).waitFor();

const VIEWS = [
  { name: 'order', path: '/plan/order', as: 'ines', does: moveOne },
  { name: 'week', path: '/plan/week', does: addedUp },
  { name: 'plan', path: '/plan' },
  { name: 'price-change', path: '/plan/new?where=group:city', does: writeDraft },
  { name: 'worksheet', path: '/plan/new?where=group:city', does: layOut },
  { name: 'calendar', path: '/plan/calendar' },
  { name: 'items', path: '/stockroom/items' },
  { name: 'files', path: '/stockroom/files', does: chooseFile },
  { name: 'grid', path: `/check?against=date&other=${inDays(-7)}&changed=1`, does: heldAgainst },
  { name: 'check', path: '/check/price?item=Q103453' },
  { name: 'timeline', path: '/check/timeline?item=Q103453', does: drawn },
  { name: 'trial-basket', path: '/check/basket?for=members&lines=Q100042*4,Q100033*4,Q100059*7' },
  { name: 'findings', path: '/check/findings', does: foundAll },
  { name: 'loopholes', path: '/check/loopholes?where=s001', does: searched },
  { name: 'stockroom', path: '/stockroom' },
  // The tills have told what they hold by then, and nothing has been sent yet.
  { name: 'today', path: '/today' },
  { name: 'phone-today', path: '/today', viewport: PHONE },
  { name: 'send-review', path: '/send' },
  { name: 'phone-tags', path: `/send/tags?at=${inDays(1)}`, as: 'tove', viewport: PHONE, does: toldApart },
];

async function shoot(browser, origin, { name, path, as = 'rufus', viewport = DESK, light = 'light', does }) {
  const context = await browser.newContext({
    viewport,
    colorScheme: light,
    baseURL: origin,
    reducedMotion: 'reduce',
    locale: 'en',
  });
  const page = await context.newPage();
  if (as)
    await page.request.post('/api/demo-sign-in', {
      data: { email: `${as}@quillmere.example` },
      headers: { origin },
    });
  await page.goto(path);
  // Islands that wait to be touched stay as they came.
  await page.waitForFunction(
    () => document.querySelector('astro-island[ssr]:not([client=touched])') === null,
  );
  // A page that hears of what goes on is never idle: where something is done, it is waited for what that leads to.
  if (does) await does(page);
  else await page.waitForLoadState('networkidle');
  await page.screenshot({ path: inRoot(`docs/screenshots/${name}.png`) });
  await context.close();
  say(`docs/screenshots/${name}.png`);
}

await run(async () => {
  await ensurePackages();
  const executablePath = ensureChromium();
  const { chromium } = await import('playwright-core');
  const running = await startEverything({
    name: 'shots',
    port: await freePort(4621),
    databasePort: 54621,
    tillPort: 4651,
    fresh: true,
  });
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox'] });
  try {
    mkdirSync(inRoot('docs/screenshots'), { recursive: true });
    for (const view of VIEWS) await shoot(browser, running.environment.BELLTAG_ORIGIN, view);
  } finally {
    await browser.close();
    await running.stop();
  }
});
