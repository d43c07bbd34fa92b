import { chain, DEMO } from '../demo/chain.ts';
import type { Instant } from '../src/core/calendar/index.ts';
import { casesOf, findLoopholes } from '../src/core/loopholes/index.ts';
import { readPlan } from '../src/core/plan/index.ts';
import { type CompiledPlan, compile } from '../src/core/price-book/index.ts';
import { type Basket, ringBasket } from '../src/core/receipt/index.ts';
import { GUEST } from '../src/core/tag-price/index.ts';

const TODAY = '2027-03-01';
const AT = Date.parse('2027-03-03T11:00Z') as Instant;
const UNITS = 12;
const CODES = ['WELCOME-10'];

const basketAt = (store: string, codes: readonly string[] = []): Basket => ({
  ...{ id: null, store, at: AT, channel: 'till', terminal: null, shopper: GUEST, history: null, codes },
  ...{ usesSoFar: new Map(), payment: null, delivery: null, region: null, postcode: null, linkTag: null },
  lines: [],
});

/** The worst basket of the demo chain: in one store, with a code, and in all stores, each distinct case once. */
export function benchLoopholes(): string[] {
  const compiled = compile(readPlan(chain(DEMO, TODAY)));
  const stores = compiled.plan.stores.map(({ id }) => id);
  const search = (store: string, codes: readonly string[] = []) =>
    findLoopholes(compiled, { circumstances: basketAt(store, codes), units: UNITS });
  const first = timed(() => search(stores[0]!));
  const one = timed(() => search(stores[0]!));
  const coded = timed(() => search(stores[0]!, CODES));
  const cases = timed(() => casesOf(compiled, stores, () => AT, GUEST));
  const all = timed(() => cases.value.map(([store]) => search(store!).looked.proved));
  const rung = timed(() => ringSome(compiled, stores[0]!, 1_000));
  const proved = (is: boolean) => (is ? 'proved' : 'NOT proved');
  return [
    `loopholes of the demo chain, ${UNITS} units, one thread`,
    `  one store: ${one.ms} ms (${first.ms} ms the first time), ${proved(one.value.looked.proved)}, ${one.value.looked.baskets} baskets rung; as long as ringing ${Math.round((one.ms * 1_000) / rung.ms)} baskets of one item`,
    `  with a code that may be held: ${coded.ms} ms, ${proved(coded.value.looked.proved)}`,
    `  all ${stores.length} stores: ${cases.value.length} distinct cases (told apart in ${cases.ms} ms), ${all.ms} ms, ${all.value.filter(Boolean).length} proved`,
  ];
}

function ringSome(compiled: CompiledPlan, store: string, count: number): void {
  const { items } = compiled.catalogue;
  for (let i = 0; i < count; i++) {
    const { sku } = items[(i * 37) % items.length]!;
    ringBasket(compiled, { ...basketAt(store), lines: [{ sku, thousandths: UNITS * 1_000 }] }, null, {
      nearly: false,
    });
  }
}

function timed<T>(work: () => T): { ms: number; value: T } {
  const begun = performance.now();
  const value = work();
  return { ms: Math.round(performance.now() - begun), value };
}
