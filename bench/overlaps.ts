import { type ChainSize, chain, DEMO, LARGE } from '../demo/chain.ts';
import { DAY, type Instant } from '../src/core/calendar/index.ts';
import { findAfter, findingsIn, type KeptFindings } from '../src/core/overlaps/index.ts';
import { type PlanDocument, readPlan, readPromotion } from '../src/core/plan/index.ts';
import { apply, type CompiledPlan, compile, timelines } from '../src/core/price-book/index.ts';
import { GUEST } from '../src/core/tag-price/index.ts';
import { share } from './median.ts';

const TODAY = '2027-03-01';
const FROM = Date.parse(`${TODAY}T00:00Z`) as Instant;
/** From today on, as the application looks. */
const SPAN = { from: FROM, to: (FROM + 400 * DAY) as Instant };
const EDITS = 9;

/** A tenth of the large chain in each direction: stores, goods, promotions. */
const TENTH: ChainSize = {
  ...LARGE,
  stores: LARGE.stores / 10,
  terminals: LARGE.terminals / 10,
  items: LARGE.items / 10,
  priceChanges: LARGE.priceChanges / 10,
  deals: LARGE.deals! / 10,
};

/** All that may be wrong with a plan, looked for anew and after one edit. */
export const benchOverlaps = (): string[] => [
  ...look('the demo chain', DEMO),
  ...look('a tenth of the large chain', TENTH),
];

function look(name: string, size: ChainSize): string[] {
  const document = chain(size, TODAY);
  const compiled = compile(readPlan(document));
  const [kept, whole] = timed(() => findAfter(null, compiled, SPAN));
  const edits = Array.from({ length: EDITS }, (_, i) => edited(document, compiled, kept, i));
  const all = document.stores.map(({ id }) => id);
  const items = document.items.filter((_, i) => i % 97 === 0);
  const [, lines] = timed(() => {
    for (const { sku } of items) timelines(compiled, { sku, shopper: GUEST }, all, SPAN);
  });
  const line = lines / items.length;
  return [
    `overlaps of ${name}: ${size.stores} stores, ${size.items} items, ${size.priceChanges} price changes, ${size.deals} deals, one thread`,
    `  whole          ${whole.toFixed(0)} ms, ${findingsIn(kept).length} findings; as long as the timelines of ${(whole / line).toFixed(0)} items at all stores`,
    `  after an edit  ${share(edits.toSorted((a, b) => a - b)).toFixed(0)} ms, the longest of ${EDITS} ${Math.max(...edits).toFixed(0)} ms`,
  ];
}

/** Another priority for a promotion: whatever it meets is looked at again. */
function edited(document: PlanDocument, compiled: CompiledPlan, kept: KeptFindings, i: number): number {
  const { promotions } = document;
  const one = promotions[(i * 37) % promotions.length]!;
  const promotion = readPromotion({ ...one, priority: one.priority === 7 ? 8 : 7 }, compiled.plan.currency);
  const { compiled: after } = apply(compiled, { kind: 'put-promotion', promotion });
  return timed(() => findAfter(kept, after, SPAN))[1];
}

function timed<T>(work: () => T): [T, number] {
  const begun = performance.now();
  const value = work();
  return [value, performance.now() - begun];
}
