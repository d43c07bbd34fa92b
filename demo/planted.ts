import type { PromotionDocument } from '../src/core/plan/index.ts';
import { approved, change, UP_TO_FIVE } from './make-promotion.ts';
import { cheapest, type Shelves, total } from './shelves.ts';
import type { Weeks } from './weeks.ts';

/** The mistakes that are made on purpose, for somebody to find, and what each is; `docs/demo.md` tells them. */
export const PLANTED = {
  overlap: ['face-week', 'night-cream-clear'],
  'never-wins': ['shampoo-small'],
  'never-reached': ['napkins-more'],
  'below-cost': ['nail-varnish-clear'],
  'below-floor': ['dishwasher-tablets-flyer'],
  'nothing-carried': ['albums-for-travellers'],
  'worse-than-shelf': ['clean-teeth'],
  'raises-price': ['travel-one-price'],
  'reduced-before': ['toothpaste-again'],
  'open-end': ['own-label-on-top'],
  'same-units': ['candles-three', 'candles-second'],
  'gift-not-carried': ['frame-with-candle'],
} as const satisfies Readonly<Record<string, readonly string[]>>;

/** Those of the mistakes that are price changes, with what they are mistaken beside. */
export function plantedChanges({ flyer }: Weeks): PromotionDocument[] {
  return [
    // Equal in priority with the face care that still runs then.
    approved('night-cream-clear', 'Clear night creams', flyer(1), {
      priority: 30,
      offer: change({ node: 'night-cream' }, { percentOff: 2500 }, UP_TO_FIVE),
    }),
    // The hair week goes before it, everywhere and all the time.
    approved('hair-week', 'Hair week', flyer(0), {
      priority: 40,
      offer: change({ node: 'hair' }, { percentOff: 1500 }, UP_TO_FIVE),
    }),
    approved('shampoo-small', 'Shampoo, a little less', flyer(0), {
      priority: 70,
      offer: change({ node: 'shampoo' }, { percentOff: 500 }, UP_TO_FIVE),
    }),
    approved('nail-varnish-clear', 'Nail varnish must go', flyer(0, 2), {
      priority: 35,
      where: { group: 'mainland' },
      offer: change({ node: 'nail-varnish' }, { percentOff: 7000 }, UP_TO_FIVE),
    }),
    approved('dishwasher-tablets-flyer', 'Dishwasher tablets: flyer', flyer(0), {
      priority: 45,
      offer: change({ node: 'dishwasher-tablets' }, { percentOff: 3500 }, UP_TO_FIVE),
    }),
    // Stations and airports have no photo range.
    approved('albums-for-travellers', 'Albums for travellers', flyer(0, 2), {
      priority: 50,
      where: { group: 'stations' },
      offer: change({ node: 'album' }, { percentOff: 1000 }, UP_TO_FIVE),
    }),
    // Some of them cost less on the shelf.
    approved('travel-one-price', 'Travel sizes at one price', flyer(-1, 3), {
      priority: 10,
      alone: true,
      where: { group: 'stations' },
      offer: {
        ...change({ allOf: [{ tag: 'travel-size' }, { node: 'bath-and-shower' }] }, { setTo: '1.49' }),
        mayRaise: true,
      },
    }),
    approved('toothpaste-first', 'Toothpaste: flyer', flyer(-3), {
      priority: 45,
      offer: change({ node: 'toothpaste' }, { percentOff: 1000 }, UP_TO_FIVE),
    }),
    // Three weeks after the one before.
    approved('toothpaste-again', 'Toothpaste, once more', flyer(0), {
      priority: 45,
      offer: change({ node: 'toothpaste' }, { percentOff: 2000 }, UP_TO_FIVE),
    }),
    approved(
      'own-label-on-top',
      'Own label, a little more',
      { from: flyer(-30).from },
      {
        priority: 60,
        offer: {
          ...change({ tag: 'own-label' }, { percentOff: 500 }, { step: '0.01', mode: 'down' }),
          onTop: true,
        },
      },
    ),
  ];
}

/** Those that are deals over the basket. */
export function plantedDeals({ flyer }: Weeks, shelf: Shelves): PromotionDocument[] {
  const teeth = ['toothbrush', 'mouthwash', 'dental-floss'].map(shelf);
  const candle = shelf('pillar-candle');
  return [
    approved('napkins-more', 'Napkins: the more the cheaper', flyer(-1, 4), {
      priority: 50,
      label: { default: 'Napkins: the more the cheaper' },
      offer: {
        kind: 'quantityBreak',
        items: { node: 'napkins' },
        count: 'set',
        tiers: [
          { atLeast: 3, percentOff: 1_000 },
          { atLeast: 6, percentOff: 1_500 },
          { atLeast: 12, percentOff: 1_500 },
        ],
      },
    }),
    approved('clean-teeth', 'Clean teeth, all in one', flyer(0, 2), {
      priority: 55,
      label: { default: 'Toothbrush, mouthwash and floss' },
      offer: {
        kind: 'combo',
        slots: teeth.map(({ node, middle }) => ({
          name: node.name,
          items: { items: middle.map(({ sku }) => sku) },
          quantity: 1,
        })),
        // More than the dearest of each cost.
        value: {
          total: total(
            teeth.map(({ middle }) => middle.at(-1)!),
            1.2,
          ),
        },
      },
    }),
    approved('candles-three', 'Three pillar candles for two', flyer(-1, 3), {
      priority: 45,
      label: { default: 'Three for two: pillar candles' },
      offer: {
        kind: 'mixAndMatch',
        items: { node: candle.node.id },
        take: 3,
        rewarded: 1,
        pick: 'cheapest',
        value: { percentOff: 10_000 },
      },
    }),
    approved('candles-second', 'Second pillar candle at half price', flyer(0, 2), {
      priority: 45,
      label: { default: 'Second at half price: pillar candles' },
      offer: {
        kind: 'mixAndMatch',
        items: { node: candle.node.id },
        take: 2,
        rewarded: 1,
        pick: 'cheapest',
        value: { percentOff: 5_000 },
      },
    }),
    // Only stores with a photo counter have frames.
    approved('frame-with-candle', 'A frame with four scented candles', flyer(0, 3), {
      priority: 50,
      label: { default: 'A frame with four scented candles' },
      offer: {
        kind: 'freeGoods',
        items: { node: 'scented-candle' },
        count: 'set',
        every: 4,
        free: 1,
        parts: 'whole',
        gift: cheapest(shelf('frame')),
        maxFree: 1,
      },
    }),
  ];
}
