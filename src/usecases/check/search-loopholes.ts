import {
  done,
  failed,
  invalid,
  type LoopholeCases,
  type LoopholeCasesRequest,
  type LoopholesRequest,
  type LoopholesView,
  may,
  type Outcome,
  type Person,
  sees,
} from '../../contracts/index.ts';
import type { Instant, WallTime } from '../../core/calendar/index.ts';
import { casesOf, findLoopholes } from '../../core/loopholes/index.ts';
import { book, type CompiledPlan, DEFAULT_CHANNEL, NO_PRICE } from '../../core/price-book/index.ts';
import { type Basket, codesHeld, standIns } from '../../core/receipt/index.ts';
import type { Shopper } from '../../core/tag-price/index.ts';
import type { ShopperPorts } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { loopholeView, moneyIn } from './loophole-view.ts';
import { shopperOf } from './shopper-of.ts';
import { momentAsked, storesAsked } from './stores-asked.ts';

/** Nobody reads more. */
const MOST_TOLD = 12;
const MOST_CODES_TOLD = 20;

/** Which stores a search for loopholes has to look at one by one, and which of them come to the same. */
export async function lookAtLoopholeCases(
  ports: { book: PlanBook } & ShopperPorts,
  person: Person,
  request: LoopholeCasesRequest,
): Promise<Outcome<LoopholeCases>> {
  if (!may(person, 'see') || !person.costs) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const { compiled } = current;
  const asked = await askedOf(ports, request, compiled);
  if (!asked.ok) return asked;
  const { at, shopper } = asked.value;
  const stores = storesAsked(request.where, person, current);
  if (!stores) return failed({ kind: 'not-found', what: `stores "${request.where}" for you` });
  const cases = casesOf(compiled, stores, (store) => instantIn(compiled, store, at), shopper);
  const named = (id: string) => ({ id, name: compiled.stores.get(id)!.name });
  return done({ cases: cases.map((same) => ({ stores: same.map(named) })), codes: codesAt(compiled, at) });
}

/** The baskets of a store that leave the least, found by the machine before a shopper finds them. */
export async function searchLoopholes(
  ports: { book: PlanBook } & ShopperPorts,
  person: Person,
  request: LoopholesRequest,
): Promise<Outcome<LoopholesView>> {
  const { store } = request;
  if (!may(person, 'see') || !person.costs || !sees(person, store)) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  const asked = await askedOf(ports, request, compiled);
  if (!asked.ok) return asked;
  if (!compiled.stores.has(store)) return failed({ kind: 'not-found', what: `store "${store}"` });
  const { at, shopper } = asked.value;
  const codes = request.codes?.split(' ').filter(Boolean) ?? [];
  const circumstances: Basket = {
    ...{ id: null, store, at: instantIn(compiled, store, at), channel: DEFAULT_CHANNEL, terminal: null },
    ...{
      shopper,
      history: null,
      codes,
      vouched: standIns(compiled.plan.promotions),
      usesSoFar: new Map(),
      payment: null,
      delivery: null,
    },
    ...{ region: null, postcode: null, linkTag: null, lines: [] },
  };
  const { found, looked } = findLoopholes(compiled, {
    circumstances,
    units: Number(request.units),
  });
  const money = moneyIn(compiled);
  return done({
    currency: compiled.plan.currency.code,
    found: found.slice(0, MOST_TOLD).map((one) => loopholeView(compiled, one)),
    looked: { ...looked, bound: looked.bound === null ? null : money(looked.bound) },
    leftOut: leftOutAt(compiled, store, circumstances.at),
  });
}

async function askedOf(
  ports: ShopperPorts,
  request: { readonly at: string; readonly for?: string },
  compiled: CompiledPlan,
): Promise<Outcome<{ readonly at: WallTime; readonly shopper: Shopper }>> {
  const at = momentAsked(request);
  if (!at.ok) return at;
  const shopper = await shopperOf(ports, request.for, compiled);
  if (!shopper)
    return invalid(
      ['for'],
      `nobody shops as "${request.for}"`,
      'the id of a kind of shopper, or shopper: and a number',
    );
  return done({ at: at.value, shopper });
}

/** What the search says nothing about. */
function leftOutAt(compiled: CompiledPlan, store: string, at: Instant): LoopholesView['leftOut'] {
  const leftOut = { withoutCost: 0, weighed: 0 };
  const { prices } = book(compiled, at, [store]);
  compiled.catalogue.items.forEach(({ cost, unit = 'each' }, index) => {
    if (prices[index] === NO_PRICE || compiled.catalogue.isParent(index)) return;
    if (unit !== 'each') leftOut.weighed += 1;
    else if (cost === null) leftOut.withoutCost += 1;
  });
  return leftOut;
}

const instantIn = (compiled: CompiledPlan, store: string, at: WallTime): Instant =>
  compiled.clockOf(compiled.stores.get(store)!).toInstant(at);

/** Codes of promotions that have begun and are not over then. */
const codesAt = ({ plan }: CompiledPlan, at: WallTime): string[] =>
  plan.promotions
    .filter(
      ({ status, when }) => status === 'approved' && when.from <= at && (when.to === null || at < when.to),
    )
    .flatMap(codesHeld)
    .slice(0, MOST_CODES_TOLD);
