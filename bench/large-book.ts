import { DAY, type Instant } from '../src/core/calendar/index.ts';
import { cellsOf, type GridSides, gridOf, sideOf } from '../src/core/grid/index.ts';
import { type PlanDocument, readPlan, readPromotion } from '../src/core/plan/index.ts';
import {
  apply,
  type CompiledPlan,
  compile,
  eachRow,
  priceAt,
  timelines,
} from '../src/core/price-book/index.ts';
import { GUEST } from '../src/core/tag-price/index.ts';
import { crowdedChain } from '../tests/plans/crowded-chain.ts';
import { share } from './median.ts';

const TODAY = '2027-03-01';
const LARGE = { stores: 1_000, zones: 8, groups: 40, items: 50_000, priceChanges: 1_000 };
const AT = Date.parse(`${TODAY}T12:00Z`) as Instant;
const YEAR = { from: AT, to: (AT + 365 * DAY) as Instant };

/** The large chain, about a hundred price changes live at once over 5 to 20 % of the goods each, in one thread. */
export function benchLargeBook(): string[] {
  const document = crowdedChain(LARGE, TODAY);
  const stores = document.stores.map(({ id }) => id);
  const begun = performance.now();
  const compiled = compile(readPlan(document));
  const read = performance.now() - begun;
  const ms = (work: () => void, runs: number) => median(Array.from({ length: runs }, () => timed(work)));
  const all = (of: CompiledPlan) => eachRow(of, { at: AT, shopper: GUEST }, stores, () => {});
  const first = timed(() => all(compiled));
  const whole = ms(() => all(compiled), 7);
  const row = [0, 1, 2].map(() => new Int32Array(LARGE.items));
  const limit = ms(() => {
    for (let store = 0; store < LARGE.stores; store++) for (const part of row) part.fill(store);
  }, 7);
  let at = 0;
  const next = () => {
    at += 1_013;
    return at % LARGE.items;
  };
  const price = ms(
    () =>
      void priceAt(compiled, {
        sku: document.items[next()]!.sku,
        store: stores[at % stores.length]!,
        at: AT,
        shopper: GUEST,
      }),
    3_000,
  );
  const line = ms(
    () => void timelines(compiled, { sku: document.items[next()]!.sku, shopper: GUEST }, stores, YEAR),
    30,
  );
  const cold = compile(readPlan(document));
  const grids = [grid(cold, stores, false), grid(compiled, stores, true)];
  const edits = edited(compiled, document.promotions);
  return [
    `the large chain: ${stores.length} stores, ${LARGE.items} items, ${LARGE.priceChanges} price changes a year, one thread:`,
    `  reading and compiling          ${read.toFixed(0)} ms; the first time that all is priced ${first.toFixed(0)} ms`,
    `  all 50 million prices          ${whole.toFixed(0)} ms, with regular prices and winners, row by row`,
    `  writing rows of that size      ${limit.toFixed(0)} ms   ratio ${(whole / limit).toFixed(1)}`,
    `  after one edit                 ${edits.took.toFixed(0)} ms for ${(edits.cells / 1e6).toFixed(1)} million cells looked at`,
    `  one item, all stores, a year   ${line.toFixed(1)} ms, exact steps`,
    ...grids,
    `  one price with its story       ${price.toFixed(3)} ms`,
  ];
}

/** The first screen of the grid over all goods and stores: laid out anew, then a screen further down. */
function grid(compiled: CompiledPlan, stores: readonly string[], held: boolean): string {
  const sideAt = (at: Instant) => sideOf(compiled, { at: () => at, shopper: GUEST });
  const goods = Int32Array.from(compiled.catalogue.items.keys());
  const lay = () => {
    const sides: GridSides = { now: sideAt(AT), was: held ? sideAt((AT - 7 * DAY) as Instant) : null };
    return { sides, ...gridOf({ ...sides, goods, stores, onlyChanged: false }) };
  };
  const screen = () =>
    timed(() => {
      const { sides, goods: all, columns } = lay();
      cellsOf(sides, all.subarray(0, 120), columns.slice(0, 48));
    });
  // What was worked out for a plan by nobody yet, and then what is.
  const first = screen();
  const took = median(Array.from({ length: 5 }, screen));
  const laid = lay();
  const further = median(
    Array.from({ length: 9 }, (_, i) =>
      timed(() =>
        cellsOf(laid.sides, laid.goods.subarray(i * 4_000, i * 4_000 + 120), laid.columns.slice(0, 48)),
      ),
    ),
  );
  return `  the grid${held ? ', against a week ago' : '                     '}  ${took.toFixed(0)} ms (the first time ${first.toFixed(0)} ms) in ${laid.columns.length} columns; a screen further down ${further.toFixed(1)} ms`;
}

/** One promotion after another begins at once and has no end; what it touches is priced again. */
function edited(compiled: CompiledPlan, promotions: PlanDocument['promotions']) {
  const runs = Array.from({ length: 21 }, (_, i) => promotions[(i * 37) % promotions.length]!).map((one) => {
    const put = { ...one, when: { from: `${TODAY}T00:00` } };
    let cells = 0;
    const took = timed(() => {
      const promotion = readPromotion(put, compiled.plan.currency);
      const { compiled: after, touched } = apply(compiled, { kind: 'put-promotion', promotion });
      const windows = windowsOf(after, touched.items);
      const width = windows.reduce((sum, { from, to }) => sum + to - from, 0);
      cells = width * touched.stores.length;
      eachRow(after, { at: AT, shopper: GUEST }, touched.stores, () => {}, windows);
    });
    return { took, cells };
  });
  return { took: median(runs.map(({ took }) => took)), cells: median(runs.map(({ cells }) => cells)) };
}

const median = (times: readonly number[]): number => share(times.toSorted((a, b) => a - b));

/** Stretches of the row that hold these items; small gaps are painted too. */
function windowsOf({ grounds }: CompiledPlan, items: readonly number[]) {
  const windows: { from: number; to: number }[] = [];
  for (const position of Int32Array.from(items, (index) => grounds.order.positionOf[index]!).sort()) {
    const last = windows.at(-1);
    if (last && position - last.to < 64) last.to = position + 1;
    else windows.push({ from: position, to: position + 1 });
  }
  return windows;
}

function timed(work: () => void): number {
  const begun = performance.now();
  work();
  return performance.now() - begun;
}
