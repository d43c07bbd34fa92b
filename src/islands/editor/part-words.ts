import type { PromotionPart } from '../../core/plan/index.ts';

const WORDS: Readonly<Record<PromotionPart, string>> = {
  name: 'Name',
  label: 'Label',
  badge: 'Badge',
  notes: 'Notes',
  status: 'State',
  priority: 'Priority',
  alone: 'Alone or with others',
  startsFrom: 'From which price',
  where: 'Where',
  channels: 'Where in the store',
  terminals: 'Where in the store',
  when: 'When',
  who: 'For whom',
  codes: 'Codes',
  codeBatches: 'Single-use codes',
  uses: 'Limits',
  limitPerBasket: 'Limits',
  supplier: 'Supplier terms',
  offer: 'Goods and price',
  'offer.items': 'Goods',
  'offer.formula': 'How the price comes about',
  'offer.rounding': 'Rounding',
  'offer.value': 'What shoppers pay',
  'offer.tiers': 'Tiers',
  'offer.conditions': 'Conditions',
};

/** What a part of a promotion is called where two wrote it; parts of deals that have no name go by that of the deal. */
export const partWords = (part: PromotionPart): string => WORDS[part] ?? 'The deal';
