import { expect, test } from 'vitest';
import type { CardVouched } from '../src/contracts/index.ts';
import { withCard } from './shown-card.ts';

const LINES = [{ sku: 'bar', quantity: 1 }];
const ANN = { id: '10001', groups: ['trade'], pastOrders: 3, lifetimeSpend: '9.00' };
const show = (basket: object, vouched: CardVouched | null, group: string | null = null) =>
  withCard(
    basket,
    async () => vouched,
    new Set(['trade', 'members', 'students']),
    () => group,
  );

test.each<[string, CardVouched | null, string | null, unknown, string]>([
  ['known', { shopper: ANN, wait: 0 }, null, ANN, 'known'],
  ['of nobody', { shopper: null, wait: 0 }, 'members', undefined, 'unknown'],
  ['not looked at', { shopper: null, wait: 5_000 }, 'members', undefined, 'slowed'],
  ['of a kind, while cut off', null, 'members', { id: 'card:2750000000016', groups: ['members'] }, 'blank'],
  ['of no kind, while cut off', null, null, undefined, 'unchecked'],
])('a card that is %s', async (_, vouched, group, shopper, state) => {
  const { basket, card } = await show({ card: '2750 0000 0001 6', lines: LINES }, vouched, group);
  expect(basket).toEqual({ lines: LINES, ...(shopper === undefined ? {} : { shopper }) });
  expect(card).toEqual({ lastDigits: '0016', state });
});

test('a kind that the till was told of by hand holds beside it', async () => {
  const { basket } = await show(
    { card: '1', shopper: { groups: ['students'] }, lines: LINES },
    { shopper: ANN, wait: 0 },
  );
  expect(basket).toMatchObject({ shopper: { id: '10001', groups: ['trade', 'students'] } });
});

test('no card is asked about where none is held out', async () => {
  const never = () => Promise.reject(new Error('asked'));
  for (const basket of [{ lines: LINES }, { card: ' ', lines: LINES }, null, 7])
    expect((await withCard(basket, never, new Set(), () => null)).card).toBeNull();
});

test('of a kind that was made after its price file was sent a till rings nothing yet, and rings all the same', async () => {
  const shopper = { ...ANN, groups: ['trade', 'made-since'] };
  const { basket } = await show({ card: '1', lines: LINES }, { shopper, wait: 0 });
  expect(basket).toMatchObject({ shopper: { id: '10001', groups: ['trade'] } });
});
