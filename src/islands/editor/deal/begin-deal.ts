import type { ItemRule } from '../../../core/plan/index.ts';
import type { BasketOfferDocument } from '../../../core/sentence/index.ts';
import type { DealKind } from '../../../ui/words/index.ts';

export const NOTHING_CHOSEN: ItemRule = { items: [] };
const some = (quantity: number) => ({ items: NOTHING_CHOSEN, quantity });

/** What a new deal of a kind says, until its goods are chosen. */
export function beginDeal(kind: Exclude<DealKind, 'priceChange'>): BasketOfferDocument {
  const items = NOTHING_CHOSEN;
  switch (kind) {
    case 'quantityBreak':
      return { kind, items, count: 'item', tiers: [{ atLeast: 3, percentOff: 1_000 }] };
    case 'bundle':
      return { kind: 'mixAndMatch', items, take: 3, value: { total: '10' } };
    case 'rewardUnit':
      return {
        kind: 'mixAndMatch',
        items,
        take: 3,
        rewarded: 1,
        pick: 'cheapest',
        value: { percentOff: 10_000 },
      };
    case 'buyAndGet':
      return { kind: 'mixAndMatch', buy: [some(2)], get: some(1), value: { percentOff: 10_000 } };
    case 'combo':
      return {
        kind,
        slots: [
          { name: 'First choice', ...some(1) },
          { name: 'Second choice', ...some(1) },
        ],
        value: { total: '5' },
      };
    case 'freeGoods':
      return { kind, items, count: 'set', every: 4, free: 1, parts: 'whole' };
    case 'basketReward':
      return { kind, threshold: 'subtotal', tiers: [{ atLeast: '30', amountOff: '5' }] };
    case 'deliveryReward':
      return { kind, conditions: { subtotal: '30' }, value: { free: true } };
  }
}

/** Whether the goods of each part have been chosen. */
export const goodsChosen = (offer: BasketOfferDocument): boolean => unchosenParts(offer).length === 0;

/** The parts of a deal's words whose goods have not been chosen yet. */
export const unchosenParts = (offer: BasketOfferDocument): string[] =>
  itemRulesOf(offer).flatMap(([part, rule]) => ('items' in rule && rule.items.length === 0 ? [part] : []));

function itemRulesOf(offer: BasketOfferDocument): (readonly [string, ItemRule])[] {
  switch (offer.kind) {
    case 'combo':
      return offer.slots.map(({ items }, i) => [`slots/${i}`, items]);
    case 'mixAndMatch':
      if (!('buy' in offer)) return [['items', offer.items]];
      return [...offer.buy.map(({ items }, i) => [`buy/${i}`, items] as const), ['get', offer.get.items]];
    case 'deliveryReward':
      return [];
    default:
      return offer.items ? [['items', offer.items]] : [];
  }
}

/** Which of the kinds a deal is. */
export function dealKindOf(offer: BasketOfferDocument): DealKind {
  if (offer.kind !== 'mixAndMatch') return offer.kind;
  if ('buy' in offer) return 'buyAndGet';
  return 'rewarded' in offer ? 'rewardUnit' : 'bundle';
}
