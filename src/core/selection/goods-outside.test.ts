import { describe, expect, it } from 'vitest';
import { compiled, SMALL } from '../../../tests/plans/small-plan.ts';
import type { ItemRule, OfferDocument } from '../plan/index.ts';
import { goodsOutside, insideOf } from './index.ts';

const { catalogue, plan } = compiled(SMALL);
const outside = (offer: unknown, nodes: readonly string[]) => {
  const found = goodsOutside(offer as OfferDocument, insideOf(nodes, catalogue), catalogue, plan.currency);
  return (
    found && {
      at: found.at.join('/'),
      items: found.items?.map((index) => catalogue.items[index]!.sku) ?? null,
    }
  );
};
const priced = (items: ItemRule) => ({ kind: 'priceChange', items, formula: { percentOff: 500 } });
const { node } = SMALL.items.find(({ sku }) => sku === 'milk')!;
const others = catalogue.items
  .filter((item, index) => !catalogue.isParent(index) && !insideOf([node], catalogue).has(item.node))
  .map(({ sku }) => sku);
const high = { regularPrice: { atLeast: '1.00' } };

describe(`goods outside of "${node}"`, () => {
  it.each<[string, ItemRule, string[] | null]>([
    ['an item of it', { items: ['milk'] }, null],
    ['it itself', { node }, null],
    ['what costs much of it', { allOf: [{ node }, high] }, null],
    ['what does not cost much of it', { allOf: [{ node }, { not: high }] }, null],
    ['all but it', { not: { node } }, others],
    ['everything', { all: true }, others],
    ['whatever costs much', high, others],
    ['whatever does not cost much', { not: high }, others],
    ['an item of it and another', { items: ['milk', others[0]!] }, [others[0]!]],
  ])('%s', (_, rule, items) => {
    expect(outside(priced(rule), [node])).toEqual(items && { at: 'items', items });
  });

  it('are those of whichever part of an offer names them, and all where none is named', () => {
    const combo = {
      kind: 'combo',
      slots: [{ items: { node } }, { items: { items: [others[0]] } }],
      price: '5.00',
    };
    expect(outside(combo, [node])).toMatchObject({ items: [others[0]] });
    const reward = {
      kind: 'basketReward',
      threshold: 'subtotal',
      tiers: [{ atLeast: '5.00', amountOff: '1.00' }],
    };
    expect(outside(reward, [node])).toEqual({ at: '', items: null });
    expect(outside({ ...reward, items: { node } }, [node])).toBeNull();
  });

  it('are all goods where no department is there any more', () => {
    expect(outside(priced({ items: ['milk'] }), ['gone'])).toEqual({ at: 'items', items: ['milk'] });
  });
});
