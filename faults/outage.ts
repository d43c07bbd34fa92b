import { type Browser, chromium, type Page } from 'playwright-core';
import { type Asker, asker } from './asker.ts';
import { type GateState, setGate } from './gate.ts';

/** The database is away so long. */
const AWAY_FOR = 60_000;
/** Each is asked so often meanwhile. */
const EVERY = 500;
/** Longer than this nobody waits; it is told as hanging. */
const HANGS = 30_000;

const ITEM = 'Q100181';
const DRAFT = {
  status: 'draft',
  when: { from: '2027-03-01T09:00', to: '2027-06-01T20:00' },
  offer: { kind: 'priceChange', items: { node: 'teas' }, formula: { percentOff: 500 } },
};

/** What was asked again and again: how often it was answered how, and how long the slowest answer took. */
interface Asked {
  readonly counts: Map<number, number>;
  slowest: number;
}

/**
 * The database is gone for a minute, then silent for a minute, while pages are open, a promotion is being written,
 * others are saved, and tills ring.
 * @param tills the address of the page of the simulated tills.
 */
export async function loseDatabase(origin: string, tills: string, program: string): Promise<string[]> {
  const browser = await chromium.launch({ executablePath: program, args: ['--no-sandbox'] });
  const told: string[] = ['the database is away for a minute:'];
  for (const [state, words] of [
    ['shut', 'gone'],
    ['silent', 'silent'],
  ] as const) {
    told.push(...(await loseItOnce(origin, tills, browser, state)).map((line) => `  ${words}: ${line}`));
  }
  await browser.close();
  return told;
}

async function loseItOnce(
  origin: string,
  tills: string,
  browser: Browser,
  state: GateState,
): Promise<string[]> {
  const ines = await asker(origin, 'ines');
  const written = `outage-written-${state}`;
  await ines.send('POST', '/api/promotions', {
    promotion: { ...DRAFT, id: written, name: 'Begun before the outage' },
  });
  const desks = await openDesks(origin, browser, state, `/plan/${written}`);
  await setGate(state);
  const begun = performance.now();
  const isOver = () => performance.now() - begun > AWAY_FOR;
  const saved: string[] = [];
  const [page, price, till, saving, seen] = await Promise.all([
    askOver(isOver, () => ines.ask('/today', patience())),
    askOver(isOver, () => ines.ask(`/api/price?store=s002&item=${ITEM}&at=2026-12-01T09:00`, patience())),
    askOver(isOver, () => ringAt(tills)),
    askOver(isOver, (round) => saveOne(ines, `${state}-${round}`, saved)),
    whatPagesSay(desks),
  ]);
  await setGate('open');
  const back = performance.now();
  await untilAnswers(ines);
  const answered = performance.now() - back;
  const recovered = await howPagesRecover(desks, back);
  const ids = new Set(
    (JSON.parse((await ines.ask('/api/promotions')).text) as { id: string }[]).map(({ id }) => id),
  );
  await Promise.all([desks.writer, desks.looker].map((one) => one.context().close()));
  return [
    `pages ${toldOf(page)}; prices ${toldOf(price)}; saves ${toldOf(saving)}, ${saved.length} acknowledged, ${saved.filter((id) => !ids.has(id)).length} lost`,
    `tills ring ${toldOf(till)}`,
    ...seen,
    `prices are answered ${seconds(answered)} after it is back`,
    ...recovered,
  ];
}

const patience = (): RequestInit => ({ signal: AbortSignal.timeout(HANGS) });

/** Asks at once and then again and again, each without waiting for the one before. */
async function askOver(
  isOver: () => boolean,
  work: (round: number) => Promise<{ status: number; took: number }>,
): Promise<Asked> {
  const asked: Asked = { counts: new Map(), slowest: 0 };
  const under: Promise<void>[] = [];
  for (let round = 0; !isOver(); round++) {
    under.push(
      work(round).then(({ status, took }) => {
        asked.counts.set(status, (asked.counts.get(status) ?? 0) + 1);
        asked.slowest = Math.max(asked.slowest, took);
      }),
    );
    await rest(EVERY);
  }
  await Promise.all(under);
  return asked;
}

const rest = (time: number) => new Promise<void>((resolve) => setTimeout(resolve, time));
const seconds = (time: number): string => `${(time / 1000).toFixed(1)} s`;

function toldOf({ counts, slowest }: Asked): string {
  const each = [...counts]
    .sort(([a], [b]) => a - b)
    .map(([status, times]) => `${times} × ${status || 'none'}`);
  return `${each.join(', ')} (slowest ${seconds(slowest)})`;
}

async function ringAt(tills: string): Promise<{ status: number; took: number }> {
  const begun = performance.now();
  const reply = await fetch(`${tills}/till/s002-1/basket`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ lines: [{ sku: ITEM, quantity: 1 }] }),
    ...patience(),
  }).catch(() => null);
  await reply?.text();
  return { status: reply?.status ?? 0, took: performance.now() - begun };
}

async function saveOne(person: Asker, name: string, saved: string[]) {
  const promotion = { ...DRAFT, id: `outage-${name}`, name: `Outage ${name}` };
  const answer = await person.ask('/api/promotions', {
    method: 'POST',
    body: JSON.stringify({ promotion }),
    ...patience(),
  });
  if (answer.status === 201) saved.push(promotion.id);
  return answer;
}

async function untilAnswers(person: Asker): Promise<void> {
  for (let tries = 0; tries < 1_200; tries++) {
    const { status } = await person.ask(`/api/price?store=s002&item=${ITEM}&at=2026-12-01T09:00`);
    if (status === 200) return;
    await rest(50);
  }
  throw new Error('it did not answer again within a minute');
}

interface Desks {
  /** Has a draft open, and goes on writing while the database is away. */
  readonly writer: Page;
  /** Goes to another page meanwhile, and waits there. */
  readonly looker: Page;
  readonly name: string;
}

async function openDesks(origin: string, browser: Browser, state: GateState, path: string): Promise<Desks> {
  const [writer, looker] = await Promise.all(
    ['ines', 'rufus'].map(async (name) => {
      const context = await browser.newContext({ baseURL: origin, locale: 'en' });
      context.setDefaultTimeout(AWAY_FOR);
      const page = await context.newPage();
      const email = `${name}@quillmere.example`;
      await page.request.post('/api/demo-sign-in', { data: { email }, headers: { origin } });
      return page;
    }),
  );
  await writer!.goto(path);
  await writer!.waitForFunction(() => !document.querySelector('astro-island[ssr]'));
  await looker!.goto('/today');
  return { writer: writer!, looker: looker!, name: `Written while it was ${state}` };
}

/** What stands on the pages while it is away. */
async function whatPagesSay({ writer, looker, name }: Desks): Promise<string[]> {
  await rest(1_000);
  const begun = performance.now();
  await looker.goto(`/check/price?item=${ITEM}&where=s002`, { timeout: AWAY_FOR }).catch(() => null);
  const head = await looker.getByRole('heading', { level: 1 }).textContent();
  const after = performance.now() - begun;
  await writer.getByLabel('Name for colleagues').fill(name);
  const pressed = performance.now();
  await writer.getByRole('button', { name: 'Save', exact: true }).click();
  const notice = await writer
    .getByText(/does not answer|did not answer|Nothing was saved|is away/)
    .first()
    .textContent()
    .catch(() => 'NOTHING');
  return [
    `a page opened meanwhile says “${head}” after ${seconds(after)}`,
    `a save pressed meanwhile says “${notice}” after ${seconds(performance.now() - pressed)}`,
  ];
}

/** How soon they go on by themselves, and whether what was written can be saved. */
async function howPagesRecover({ writer, looker, name }: Desks, back: number): Promise<string[]> {
  await looker.getByTestId('price').waitFor();
  const shown = performance.now() - back;
  const kept = await writer.getByLabel('Name for colleagues').inputValue();
  await writer.getByRole('button', { name: 'Save', exact: true }).click();
  await writer
    .getByText(/^Saved/)
    .first()
    .waitFor();
  await writer.reload();
  const saved = await writer.getByLabel('Name for colleagues').inputValue();
  return [
    `the page that waited shows its price by itself ${seconds(shown)} after it is back`,
    kept === name && saved === name
      ? 'what was typed meanwhile stands and is saved at the next press'
      : `WHAT WAS TYPED IS LOST: “${kept}”, “${saved}”`,
  ];
}
