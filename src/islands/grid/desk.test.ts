import { describe, expect, it } from 'vitest';
import type { GridCellView, LensView } from '../../contracts/view/index.ts';
import { againstWords } from './against-words.ts';
import { drawnColumns, titleOf } from './columns.ts';
import { addressOf, type GridEvent, gridAfter, gridDesk, gridQuestion } from './desk.ts';
import { isChanged, pricesSeen } from './prices-seen.ts';

const EMPTY = gridDesk(new URLSearchParams());
const having = (...events: GridEvent[]) => events.reduce(gridAfter, EMPTY);
const VIEW = {
  lens: { where: 'group:city', at: null, shopper: 'members' },
  at: '2027-03-01T09:00',
  store: { id: 's001', name: 'One', timeZone: 'Europe/Lisbon' },
} as Pick<LensView, 'lens' | 'at' | 'store'>;

describe('the desk of the grid', () => {
  it.each([
    '',
    'node=sun&q=oil',
    'against=date&other=2027-03-01T09%3A00&changed=1',
    'against=shopper',
    'against=held&changed=1',
  ])('is what its address says, and says it again: %s', (address) => {
    const desk = gridDesk(new URLSearchParams(address));
    expect(new URLSearchParams(addressOf(desk)).toString()).toBe(address);
  });

  it('takes nothing from an address that it does not know', () => {
    const desk = gridDesk(new URLSearchParams('against=tomorrow&other=x&changed=1'));
    expect(desk).toEqual(EMPTY);
  });

  it('asks for what changed only where prices are held against something', () => {
    const held: GridEvent = { type: 'held-against', against: 'held', other: null };
    const only: GridEvent = { type: 'only-changed', on: true };
    expect(having(held, only).onlyChanged).toBe(true);
    const nothing: GridEvent = { type: 'held-against', against: null, other: null };
    expect(having(held, only, nothing).onlyChanged).toBe(false);
  });

  it('opens a column and closes it again', () => {
    const toggle: GridEvent = { type: 'toggled', store: 's1' };
    expect([...having(toggle).open]).toEqual(['s1']);
    expect([...having(toggle, toggle).open]).toEqual([]);
  });

  it('asks the server through the lens, and without what is not chosen to its end', () => {
    const narrowed: GridEvent = { type: 'narrowed', node: 'sun' };
    const searched: GridEvent = { type: 'searched', text: 'oil' };
    const store = (other: string | null): GridEvent => ({ type: 'held-against', against: 'store', other });
    const asked = (desk = EMPTY) => Object.fromEntries(gridQuestion(desk, VIEW));
    const always = { at: '2027-03-01T09:00', where: 'group:city', for: 'members' };
    expect(asked()).toEqual(always);
    expect(asked(having(narrowed, searched, store(null)))).toEqual({ ...always, node: 'sun', q: 'oil' });
    expect(asked(having(store('s1')))).toEqual({ ...always, against: 'store', other: 's1' });
  });
});

describe('what prices are held against', () => {
  const choices = {
    stores: [{ id: 's1', name: 'East' }],
    shopperGroups: [{ id: 'members', name: 'Members' }],
  };
  it.each([
    [null, null, null],
    ['date', '2027-03-02T09:00', 'On Tue 2 Mar, 9:00 it is'],
    ['held', null, 'The terminals hold'],
    ['shopper', null, 'To a guest it is'],
    ['shopper', 'members', 'To Members it is'],
    ['store', 's1', 'In East it is'],
    ['store', null, null],
    ['promotion', 'p', 'Without that draft or change it is'],
  ] as const)('%s %s is said as "%s"', (against, other, words) => {
    expect(againstWords({ ...EMPTY, against, other }, VIEW, choices as never)).toBe(words);
  });
});

describe('the columns', () => {
  const columns = [
    {
      stores: [
        { id: 'a', name: 'A' },
        { id: 'b', name: 'B' },
        { id: 'c', name: 'C' },
      ],
    },
    { stores: [{ id: 'd', name: 'D' }] },
  ];
  const drawn = drawnColumns(columns, new Set(['a', 'd']));

  it('stand with their stores behind them where they are open', () => {
    expect(drawn.map(({ stores, column }) => `${titleOf(stores)} of ${column}`)).toEqual([
      '3 stores of 0',
      'A of 0',
      'B of 0',
      'C of 0',
      'D of 1',
    ]);
  });

  it('show the price of most stores, and each store its own', () => {
    const cell: GridCellView = [
      [
        ['2.00', 0],
        ['1.00', -1, '3.00', -1],
      ],
      // B is alone in the second; A sells none.
      ['4', '2'],
    ];
    const seen = drawn.map((column) =>
      pricesSeen(cell, column).map(({ price, stores }) => `${price[0]} in ${titleOf(stores)}`),
    );
    expect(seen.slice(0, 4)).toEqual([['2.00 in C', '1.00 in B'], [], ['1.00 in B'], ['2.00 in C']]);
    expect(pricesSeen(cell, drawn[0]!).map(({ price }) => isChanged(price))).toEqual([false, true]);
  });

  it('show one price in all stores where there is one', () => {
    const cell: GridCellView = [[['2.00', 0, '2.00', -1]]];
    expect(drawn.slice(0, 4).map((column) => pricesSeen(cell, column).length)).toEqual([1, 1, 1, 1]);
    expect(isChanged(cell[0][0]!)).toBe(false);
    expect([isChanged(['2.00', 0, null, -1]), isChanged([null, -1, '2.00', 0])]).toEqual([true, true]);
  });
});
