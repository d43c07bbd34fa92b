import AxeBuilder from '@axe-core/playwright';
import { type Browser, chromium, type Locator, type Page, type Request } from 'playwright-core';
import { type DemoName, emailOf, running } from '../application/running.ts';

export const DESK = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };

export const openBrowser = (): Promise<Browser> =>
  chromium.launch({ executablePath: running().chromium, args: ['--no-sandbox'] });

/** A page at the desk, signed in where a name is given. What the page's console says as an error fails the test. */
export async function sitDown(
  browser: Browser,
  name: DemoName | null,
  viewport = DESK,
  /** The language that the browser asks for. */
  locale = 'en',
): Promise<{ page: Page; complaints: string[] }> {
  const { origin } = running();
  const context = await browser.newContext({
    viewport,
    baseURL: origin,
    reducedMotion: 'reduce',
    locale,
  });
  context.setDefaultTimeout(45_000);
  const page = await context.newPage();
  watchRequests(page);
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(message.text());
  });
  if (name)
    await page.request.post('/api/demo-sign-in', { data: { email: emailOf(name) }, headers: { origin } });
  return { page, complaints };
}

/** Rows beyond the first are like those before them, and cost axe a second for every few. */
const MORE_ROWS = ['tbody > tr:nth-child(n+9)', 'ul > li:nth-child(n+13)', '.calendar-bar:nth-of-type(n+9)'];
const ALL_RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What axe has against a page, in short; by some rules only, or within a part of the page only. */
export async function accessFaults(
  page: Page,
  { rules, within, except = [] }: { rules?: string[]; within?: string; except?: string[] } = {},
): Promise<string[]> {
  // Faults alone: to name each part that is right takes longer than to find what is wrong. Our pages have no frames,
  // for which it would open a page of its own each time.
  const builder = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();
  if (within) builder.include(within);
  for (const rows of MORE_ROWS) builder.exclude(rows);
  if (except.length > 0) builder.disableRules(except);
  const { violations } = await (rules ? builder.withRules(rules) : builder.withTags(ALL_RULES)).analyze();
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`,
  );
}

/** Goes to a column of the sheet's row by the keys. */
export async function toColumn(sheet: Locator, title: string): Promise<void> {
  const titles = await sheet.getByRole('columnheader').allInnerTexts();
  const at = titles.findIndex((text) => text.trim() === title);
  await sheet.press('Home');
  for (let i = 0; i < at; i++) await sheet.press('ArrowRight');
}

/** Nothing is under way any more: what is read off a page, or must not stand on it, is looked for then. */
export async function atRest(page: Page): Promise<void> {
  await page.waitForLoadState('load');
  const open = underWay.get(page)!;
  for (let quiet = 0; quiet < REST; ) {
    await new Promise((resolve) => setTimeout(resolve, LOOKS));
    quiet = open.size > 0 ? 0 : quiet + LOOKS;
  }
}

const REST = 500;
const LOOKS = 50;
/** The requests of each page that were not answered yet, but for lines that stay open. */
const underWay = new WeakMap<Page, Set<Request>>();

function watchRequests(page: Page): void {
  const open = new Set<Request>();
  underWay.set(page, open);
  page.on('request', (request) => {
    if (request.resourceType() !== 'eventsource') open.add(request);
  });
  page.on('requestfinished', (request) => void open.delete(request));
  page.on('requestfailed', (request) => void open.delete(request));
}

/** Islands answer once they are hydrated, whatever they still ask for. Those that wait to be touched hold what is pressed. */
export async function settled(page: Page): Promise<void> {
  await page.waitForLoadState('domcontentloaded');
  await page.waitForFunction(() => {
    const taken = (element: Element) => Object.keys(element).some((key) => key.startsWith('__reactFiber'));
    return [...document.querySelectorAll('astro-island')].every(
      (island) =>
        island.matches('[client=touched][ssr]') ||
        (!island.hasAttribute('ssr') && (island.childElementCount === 0 || [...island.children].some(taken))),
    );
  });
}

/** Opens a part of the deal sentence by the keyboard, as a part may stand on two lines. */
export const openPart = (page: Page, name: RegExp): Promise<void> =>
  page.getByRole('main').getByRole('button', { name }).press('Enter');
