import { parsePlan } from '../../src/contracts/index.ts';
import { parseMoment } from '../../src/core/calendar/index.ts';
import { formatAmount } from '../../src/core/money/index.ts';
import type { PlanDocument, PriceChangeDocument, PromotionDocument } from '../../src/core/plan/index.ts';
import { type CompiledPlan, compile, priceAt } from '../../src/core/price-book/index.ts';
import { GUEST, type PriceAnswer, type Shopper } from '../../src/core/tag-price/index.ts';

/** One store in each of two zones and time zones, a handful of goods, three kinds of shopper. */
export const SMALL: PlanDocument = {
  format: 'bell-tag-plan',
  version: 1,
  currency: 'EUR',
  nodes: [
    { id: 'beauty', name: 'Beauty' },
    { id: 'sun', name: 'Sun care', parent: 'beauty' },
    { id: 'food', name: 'Food' },
  ],
  items: [
    {
      sku: 'milk',
      name: 'Sun milk',
      node: 'sun',
      brand: 'Wrenfold',
      tags: ['new'],
      cost: '12.00',
      prices: [{ price: '24.90' }],
    },
    {
      sku: 'spray',
      name: 'Sun spray',
      node: 'sun',
      cost: '4.00',
      attributes: { size: '100' },
      prices: [{ price: '10.00' }],
    },
    { sku: 'oil', name: 'Sun oil, no cost', node: 'sun', prices: [{ price: '8.00' }] },
    { sku: 'gel', name: 'Gel', node: 'beauty', prices: [] },
    { sku: 'gel-50', name: 'Gel 50', node: 'beauty', parent: 'gel', prices: [{ price: '5.00' }] },
    { sku: 'gel-90', name: 'Gel 90', node: 'beauty', parent: 'gel', prices: [{ price: '9.00' }] },
    {
      sku: 'bar',
      name: 'Oat bar',
      node: 'food',
      cost: '0.40',
      prices: [
        { price: '1.00' },
        { price: '1.20', since: '2027-06-01' },
        { price: '1.10', zone: 'isles' },
        { price: '0.90', store: 'west', since: '2027-05-01' },
      ],
    },
    { sku: 'unpriced', name: 'No price yet', node: 'food', prices: [{ price: '2.00', since: '2028-01-01' }] },
  ],
  itemSets: [{ id: 'summer', name: 'Summer', rule: { anyOf: [{ node: 'sun' }, { items: ['bar'] }] } }],
  zones: [
    { id: 'main', name: 'Mainland' },
    { id: 'isles', name: 'Isles' },
  ],
  stores: [
    { id: 'east', name: 'East', timeZone: 'Europe/Madrid', zone: 'main', region: 'Coast', tags: ['city'] },
    { id: 'west', name: 'West', timeZone: 'Europe/Lisbon', zone: 'isles' },
  ],
  storeGroups: [{ id: 'city', name: 'City stores', rule: { tag: 'city' } }],
  terminals: [
    { id: 'east-1', store: 'east', tags: ['counter'] },
    { id: 'west-1', store: 'west' },
  ],
  shopperGroups: [
    { id: 'members', name: 'Members', priceList: 'members' },
    { id: 'staff', name: 'Staff', priceList: 'staff' },
    { id: 'students', name: 'Students' },
  ],
  shoppers: [{ id: 'm-1', groups: ['members'] }],
  priceLists: [
    { id: 'members', name: 'Members', percent: -500, prices: { spray: '9.33' } },
    { id: 'staff', name: 'Staff', percent: -1500, rounding: { step: '0.05', mode: 'up' } },
    { id: 'own', name: 'Own prices only', prices: { milk: '20.00' } },
  ],
  promotions: [],
};

export type Promoted = Partial<Omit<PromotionDocument, 'offer'>> & Partial<Omit<PriceChangeDocument, 'kind'>>;

/** A price change over everything in the spring of 2027, with what the case says differently. */
export function change(id: string, said: Promoted = {}): PromotionDocument {
  const { items, formula, linePrices, linePricesIn, rounding, onTop, of, mayRaise, ...rest } = said;
  const priced = { formula, linePrices, linePricesIn, rounding, onTop, of, mayRaise };
  const offer = { items: items ?? { all: true }, ...priced };
  if (!formula && !linePrices && !linePricesIn) offer.formula = { percentOff: 1000 };
  return {
    id,
    name: id,
    status: 'approved',
    when: { from: '2027-03-01T09:00', to: '2027-06-01T20:00' },
    ...rest,
    offer: JSON.parse(JSON.stringify({ kind: 'priceChange', ...offer })),
  };
}

export const withPromotions = (...promotions: PromotionDocument[]): PlanDocument => ({
  ...SMALL,
  promotions,
});

export function compiled(document: PlanDocument): CompiledPlan {
  const parsed = parsePlan(document);
  if (!parsed.ok) throw new Error(`the plan has faults: ${JSON.stringify(parsed.faults)}`);
  return compile(parsed.plan);
}

export interface Asked {
  readonly sku?: string;
  readonly store?: string;
  readonly at?: string;
  readonly shopper?: Shopper;
  readonly channel?: string;
  readonly terminal?: string;
}

export const ofGroups = (...groups: string[]): Shopper => ({ kind: 'shopper', id: null, groups });

/** Asks for the sun milk in the east store in the middle of April, unless the case says differently. */
export function ask(document: PlanDocument, asked: Asked = {}): PriceAnswer {
  const plan = compiled(document);
  const store = asked.store ?? 'east';
  const known = plan.stores.get(store);
  const at = known ? parseMoment(asked.at ?? '2027-04-14T12:00', plan.clockOf(known))! : 0;
  return priceAt(plan, { sku: 'milk', shopper: GUEST, ...asked, store, at: at as never });
}

/** A price answer in short: "21.20 by sun", and the problem where there is none. */
export function short(answer: PriceAnswer, document: PlanDocument = SMALL): string {
  if (answer.kind === 'problem') return answer.problem;
  const { currency } = compiled(document).plan;
  const onTop = answer.onTop.map(({ promotion }) => ` + ${promotion}`).join('');
  return `${formatAmount(answer.price, currency)}${answer.winner ? ` by ${answer.winner.promotion}` : ''}${onTop}`;
}

export const lostOf = (answer: PriceAnswer): Record<string, string> =>
  answer.kind === 'problem'
    ? {}
    : Object.fromEntries(answer.lost.map(({ promotion, reason }) => [promotion, reason]));
