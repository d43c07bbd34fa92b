import { describe, expect, test } from 'vitest';
import { basketOf, basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import { parseLocalDate } from '../calendar/index.ts';
import { normalCode } from '../codes/index.ts';
import { type OfferDocument, type PromotionDocument, readPlan } from '../plan/index.ts';
import { compile } from '../price-book/index.ts';
import {
  anyCodeOf,
  type BasketDocument,
  type BatchCode,
  batchCodeKey,
  batchOfKey,
  codesToVouch,
  readBasket,
  ringBasket,
  standIns,
  type Vouched,
  wantedUses,
} from './index.ts';

const half: OfferDocument = { kind: 'priceChange', items: { items: ['x'] }, formula: { percentOff: 5_000 } };
const reward: OfferDocument = {
  kind: 'basketReward',
  threshold: 'subtotal',
  tiers: [{ atLeast: '1.00', percentOff: 1_000 }],
};
const CODE: BatchCode = {
  ...{ promotion: 'w', key: 'batch:7:0a', from: null, to: null, withdrawn: false, test: false },
};
const compiledOf = (promotions: PromotionDocument[]) =>
  compile(readPlan(basketPlan({ x: '10.00' }, promotions, { shoppers: [{ id: 'ann' }] })));

/** One x, at noon on 1 March, with the code Q1. */
function rung(
  promotions: PromotionDocument[],
  known: Record<string, Vouched>,
  more: Partial<BasketDocument> = {},
) {
  const compiled = compiledOf(promotions);
  const read = readBasket(basketOf({ x: 1 }, { codes: ['q-1'], ...more }), compiled);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const vouched = new Map(Object.entries(known).map(([code, one]) => [normalCode(code), one]));
  const basket = { ...read.basket, vouched };
  const receipt = ringBasket(compiled, basket);
  return {
    total: receipt.total,
    reasons: receipt.codes.map(({ reason }) => reason),
    uses: wantedUses(receipt, basket, compiled).map(({ key, most }) => `${key} ${most}`),
  };
}
const WELCOME = offer('w', reward, { codeBatches: true });
const day = (text: string) => parseLocalDate(text);

test('a promotion that asks for a code of a batch is had with one, and with no other', () => {
  expect(rung([WELCOME], {})).toEqual({ total: 1_000, reasons: ['unknown'], uses: [] });
  expect(rung([WELCOME], { Q1: CODE })).toEqual({ total: 900, reasons: [null], uses: ['batch:7:0a 1'] });
});

test.each<[string, Vouched, string]>([
  ['withdrawn', { ...CODE, withdrawn: true }, 'withdrawn'],
  ['good from tomorrow on', { ...CODE, from: day('2027-03-02') }, 'not-started'],
  ['good until yesterday', { ...CODE, to: day('2027-02-28') }, 'over'],
  ['of a promotion that this store does not have', { ...CODE, promotion: 'elsewhere' }, 'not-here'],
  ['unchecked', 'unchecked', 'unchecked'],
  ['slowed', 'slowed', 'slowed'],
])('one that is %s is told so, and brings nothing', (_, known, reason) => {
  expect(rung([WELCOME], { Q1: known })).toEqual({ total: 1_000, reasons: [reason], uses: [] });
});

test('its days are those of the store, the first and the last among them', () => {
  for (const ends of [{ from: day('2027-03-01') }, { to: day('2027-03-01') }])
    expect(rung([WELCOME], { Q1: { ...CODE, ...ends } }).total).toBe(900);
  // 23:30 in Madrid is still the day before in London.
  const late = { at: '2027-03-01T23:30' };
  expect(rung([WELCOME], { Q1: { ...CODE, to: day('2027-03-01') } }, late).total).toBe(900);
  expect(rung([WELCOME], { Q1: { ...CODE, from: day('2027-03-02') } }, late).reasons).toEqual([
    'not-started',
  ]);
});

test('it is good once, whatever its promotion says of how often a code may be used', () => {
  const many = offer('w', reward, { codeBatches: true, uses: { perCode: 5, every: 'week', inAll: 9 } });
  expect(rung([many], { Q1: CODE })).toMatchObject({ total: 900, uses: ['w 9', 'batch:7:0a 1'] });
  expect(rung([many], { Q1: CODE }, { usesSoFar: { 'batch:7:0a': 1 } })).toMatchObject({
    ...{ total: 1_000, reasons: ['used-up'] },
  });
});

test('of two codes of a promotion one is used, and the other where that was used before', () => {
  const two = { codes: ['Q1', 'Q2'] };
  const known = { Q1: CODE, Q2: { ...CODE, key: 'batch:7:0b' } };
  expect(rung([WELCOME], known, two)).toEqual({ total: 900, reasons: [null, null], uses: ['batch:7:0a 1'] });
  expect(rung([WELCOME], known, { ...two, usesSoFar: { 'batch:7:0a': 1 } })).toMatchObject({
    ...{ total: 900, reasons: ['used-up', null], uses: ['batch:7:0b 1'] },
  });
});

test('what a receipt gets by a test code is no use of anything', () => {
  const limited = offer('w', reward, { codeBatches: true, uses: { inAll: 3, perShopper: 1 } });
  const test = { Q1: { ...CODE, test: true } };
  expect(rung([limited], test, { shopper: 'ann' })).toEqual({ total: 900, reasons: [null], uses: [] });
  // It is good as often as one likes.
  expect(rung([limited], test, { usesSoFar: { 'batch:7:0a': 40 } }).total).toBe(900);
});

test('a price change can ask for one, and a shared code does beside them', () => {
  const price = offer('w', half, { codeBatches: true, codes: ['SHARED'], uses: { perCode: 5 } });
  expect(rung([price], { Q1: CODE })).toMatchObject({ total: 500, uses: ['batch:7:0a 1'] });
  expect(rung([price], {}, { codes: ['shared'] })).toMatchObject({ total: 500, uses: ['code:SHARED 5'] });
});

describe('a promotion that asks for none of a batch', () => {
  test('is not had by one, whoever vouches for it', () => {
    expect(rung([offer('w', reward, { codes: ['SHARED'] })], { Q1: CODE }).total).toBe(1_000);
  });
  test('asks nobody what a code is', () => {
    const { plan } = compiledOf([offer('w', reward, { codes: ['SHARED'] })]);
    expect(codesToVouch(plan.promotions, ['Q1'])).toEqual([]);
  });
});

test('asked is for codes that no promotion lists', () => {
  const { plan } = compiledOf([WELCOME, offer('v', reward, { codes: ['Shared'] })]);
  expect(codesToVouch(plan.promotions, ['sha-red', 'Q1'])).toEqual(['Q1']);
  expect(codesToVouch(plan.promotions, [])).toEqual([]);
});

test('what stands for any code of a promotion opens that and nothing else', () => {
  const other = offer('v', reward, { codeBatches: true });
  const compiled = compiledOf([WELCOME, other]);
  const read = readBasket(basketOf({ x: 1 }, { codes: [anyCodeOf(WELCOME)] }), compiled);
  if (!read.ok) throw new Error('no basket');
  const basket = { ...read.basket, vouched: standIns(compiled.plan.promotions) };
  expect(ringBasket(compiled, basket).rewards.map(({ promotion }) => promotion)).toEqual(['w']);
});

test('a key tells its batch, and others are of none', () => {
  expect(batchOfKey(batchCodeKey(12, 'ff00'))).toBe(12);
  expect(['batch:', 'code:batch:3:x', 'w', 'batch:12'].map(batchOfKey)).toEqual([null, null, null, null]);
});
