import type { CheckedBasketDocument, CheckMoment } from '../src/contracts/index.ts';

/** Baskets that the demo chain keeps as checks: one holds, and one has come to cost more than it should. */
export const KEPT_BASKETS: readonly {
  readonly name: string;
  readonly basket: CheckedBasketDocument;
  readonly moment: CheckMoment;
  readonly atMost: string;
}[] = [
  {
    name: 'Saturday family basket',
    basket: {
      store: 's001',
      lines: [
        { sku: 'Q100001', quantity: 3 },
        { sku: 'Q100042', quantity: 2 },
      ],
    },
    moment: { next: 'sat', time: '10:00' },
    atMost: '15.00',
  },
  {
    name: 'Camomile tea for under three',
    basket: { store: 's001', lines: [{ sku: 'Q100043', quantity: 1 }] },
    moment: { next: 'fri', time: '17:00' },
    atMost: '3.00',
  },
];
