import { describe, expect, it } from 'vitest';
import type { OrderedPromotion, OrderView } from '../../contracts/view/index.ts';
import { changesOf, type OrderDesk, type OrderEvent, orderAfter, orderDesk, placeBy } from './desk.ts';

const reward = (id: string, priority: number, combinesWith?: 'none' | string[]): OrderedPromotion => ({
  ...{ id, name: id, priority, what: '', waits: false },
  offer: {
    ...{ kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '1.00', amountOff: '1.00' }] },
    ...(combinesWith ? { combinesWith } : {}),
  },
});
const deal = (id: string, priority: number): OrderedPromotion => ({
  ...{ id, name: id, priority, what: '', waits: false },
  offer: { kind: 'mixAndMatch', items: { all: true }, take: 2, value: { percentOff: 1_000 } },
});
const ALL = [deal('a', 10), reward('b', 20), reward('c', 30, 'none')];
const VIEW: OrderView = {
  date: '2027-03-01',
  policy: { priceChanges: 'priority', baskets: 'best' },
  promotions: ALL,
  meets: [],
  rewards: [ALL[1]!, ALL[2]!, { id: 'later', offer: reward('later', 1).offer }],
};
const deskAfter = (...events: OrderEvent[]): OrderDesk => events.reduce(orderAfter, orderDesk(VIEW));
const said = ({ are }: OrderDesk) => are.promotions.map(({ id, priority }) => `${id}${priority}`).join(' ');

describe('the desk of how promotions stand', () => {
  it('renumbers what is moved, and nothing else', () => {
    const desk = deskAfter({ type: 'moved', id: 'c', place: 0 });
    expect([said(desk), changesOf(desk)]).toEqual(['c5 a10 b20', [{ id: 'c', priority: 5 }]]);
  });

  it('puts back what was held by keys, or lets it stand', () => {
    const held: OrderEvent[] = [
      { type: 'took', id: 'a' },
      { type: 'moved', id: 'a', place: 1 },
      { type: 'moved', id: 'a', place: 2 },
    ];
    expect(said(deskAfter(...held, { type: 'put-back' }))).toBe('a10 b20 c30');
    expect(said(deskAfter(...held, { type: 'let-go' }))).toBe('b20 c30 a40');
    expect(said(deskAfter(...held, { type: 'let-go' }, { type: 'put-back' }))).toBe('b20 c30 a40');
  });

  it('writes who goes with whom into as few promotions as say it', () => {
    const apart = deskAfter({ type: 'toggled', one: 'a', other: 'b' });
    expect(changesOf(apart)).toEqual([{ id: 'a', alone: true }]);
    expect(changesOf(orderAfter(apart, { type: 'toggled', one: 'a', other: 'b' }))).toEqual([]);
    expect(changesOf(deskAfter({ type: 'toggled', one: 'b', other: 'c' }))).toEqual([
      { id: 'c', combinesWith: ['b'] },
    ]);
    // Two deals never use one unit: there is nothing to say.
    expect(changesOf(deskAfter({ type: 'toggled', one: 'a', other: 'a' }))).toEqual([]);
  });

  it('is put aside, saved, refused, and comes anew', () => {
    const moved: OrderEvent = { type: 'moved', id: 'c', place: 0 };
    expect(changesOf(deskAfter(moved, { type: 'put-aside' }))).toEqual([]);
    expect(deskAfter(moved, { type: 'saving' }).saving).toBe('saving');
    expect(deskAfter(moved, { type: 'refused', words: 'no' }).saving).toEqual({ refused: 'no' });
    const saved = deskAfter(moved, { type: 'saved', words: 'yes' }, { type: 'came', view: VIEW });
    expect([saved.saving, changesOf(saved)]).toEqual([{ saved: 'yes' }, []]);
  });

  it.each([
    ['ArrowUp', 0, 0],
    ['ArrowDown', 0, 1],
    ['End', 0, 2],
    ['Home', 2, 0],
    ['a', 1, null],
  ])('goes by %s from %i to %j', (key, from, to) => {
    expect(placeBy(key, from, 3)).toBe(to);
  });
});
