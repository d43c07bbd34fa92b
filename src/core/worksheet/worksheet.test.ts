import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { change, compiled, type Promoted, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { currencyOf, type MinorUnits } from '../money/index.ts';
import {
  type FormulaDocument,
  type ItemRule,
  type RoundingDocument,
  readFormula,
  readPromotion,
  readRounding,
} from '../plan/index.ts';
import { priceAt } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { filterCounts, runPasses, type SheetWork, sheetFacts, sheetSums, shownLines } from './index.ts';

const EUR = currencyOf('EUR')!;
const draft = (said: Promoted = {}) => readPromotion(change('sheet', said), EUR);
const pass = (formula: FormulaDocument, rounding?: RoundingDocument) => ({
  formula: readFormula(formula, EUR),
  rounding: rounding ? readRounding(rounding, EUR) : null,
});
const work = (more: Partial<SheetWork>): SheetWork => ({
  passes: [],
  own: new Map(),
  removed: new Set(),
  costs: { all: null, of: new Map() },
  marginFloor: 1000,
  ...more,
});
const money = (amount: number) => amount as MinorUnits;

const SUN: { items: ItemRule; list: string | null }[] = [{ items: { node: 'sun' }, list: null }];
const facts = (said: Promoted = {}, passes = SUN, added: string[] = []) =>
  sheetFacts(compiled(SMALL), { draft: draft(said), passes, added, prefer: 'east' });

describe('the lines of a worksheet', () => {
  it('are what its passes select and what was added, at the first moment of the change', () => {
    const { lines, lookedAt, unsold } = facts(
      {},
      [{ items: { node: 'sun' }, list: null }],
      ['bar', 'unpriced'],
    );
    expect(lookedAt).toEqual({ store: 'east', at: Date.parse('2027-03-01T08:00:00Z') });
    expect(lines.map(({ sku, regular, cost, passes }) => [sku, regular, cost, passes])).toEqual([
      ['milk', 2490, 1200, [0]],
      ['spray', 1000, 400, [0]],
      ['oil', 800, null, [0]],
      ['bar', 100, 40, []],
    ]);
    expect(unsold).toEqual(['unpriced']);
  });

  it('know what is paid already, through what, and the lists that passes work from', () => {
    const plan = compiled(
      withPromotions(
        change('other', { items: { items: ['milk'] } }),
        change('elsewhere', { where: { stores: ['west'] } }),
      ),
    );
    const passes = [{ items: { node: 'sun' }, list: 'own' }];
    const found = sheetFacts(plan, {
      draft: draft({ where: { stores: ['east'] } }),
      passes,
      added: [],
      prefer: null,
    });
    expect(found.elsewhere).toEqual([{ promotion: 'other', items: 1 }]);
    expect(found.lines[0]).toMatchObject({ now: 2241, reducedBy: [0], lists: { own: 2000 } });
    expect(found.lines[1]).toMatchObject({ now: 1000, reducedBy: [] });
  });

  it('leave the change itself out of what is paid without it', () => {
    const plan = compiled(withPromotions(change('sheet')));
    const found = sheetFacts(plan, {
      draft: draft(),
      passes: [{ items: { node: 'sun' }, list: null }],
      added: [],
      prefer: null,
    });
    expect(found.lines[0]!.now).toBe(2490);
    expect(found.elsewhere).toEqual([]);
  });

  it('are none where no store is in it', () => {
    expect(facts({ where: { tag: 'nowhere' } })).toMatchObject({ lookedAt: null, lines: [] });
  });
});

describe('running the passes', () => {
  const { lines } = facts({}, [
    { items: { node: 'sun' }, list: null },
    { items: { items: ['spray', 'oil'] }, list: null },
  ]);
  const prices = (more: Partial<SheetWork>) =>
    runPasses(lines, work(more)).map(({ price, origin }) => [price, origin]);

  it.each<[string, Partial<SheetWork>, [number | null, number | 'own' | null][]]>([
    [
      'one over all',
      { passes: [pass({ percentOff: 1000 })] },
      [
        [2241, 0],
        [900, 0],
        [720, 0],
      ],
    ],
    [
      'a later one over some',
      { passes: [pass({ percentOff: 1000 }), pass({ setTo: '7.00' })] },
      [
        [2241, 0],
        [700, 1],
        [700, 1],
      ],
    ],
    [
      'rounded',
      { passes: [pass({ percentOff: 1500 }, { step: '0.05', mode: 'up' })] },
      [
        [2120, 0],
        [850, 0],
        [680, 0],
      ],
    ],
    [
      'on the cost, where there is one',
      { passes: [pass({ percentOff: 1000 }), pass({ addPercent: 10000 })] },
      [
        [2241, 0],
        [800, 1],
        [720, 0],
      ],
    ],
    [
      'by hand over a pass',
      { passes: [pass({ percentOff: 1000 })], own: new Map([['oil', money(555)]]) },
      [
        [2241, 0],
        [900, 0],
        [555, 'own'],
      ],
    ],
    [
      'of passes that are not there any more',
      { passes: [] },
      [
        [null, null],
        [null, null],
        [null, null],
      ],
    ],
  ])('%s', (_, more, wanted) => {
    expect(prices(more)).toEqual(wanted);
  });

  it('says why a line has no price', () => {
    const results = runPasses(lines, work({ passes: [pass({ marginOnPrice: 5000 })] }));
    expect(results[2]).toMatchObject({ price: null, trouble: 'no-cost' });
    const listed = runPasses(lines, work({ passes: [pass({ basis: { priceList: 'own' }, percentOff: 0 })] }));
    expect(listed[1]).toMatchObject({ price: null, trouble: 'no-list-price' });
  });

  it('counts margins with the supplier’s cost, one item’s own before that for all', () => {
    const costs = { all: money(600), of: new Map([['milk', money(1000)]]) };
    const results = runPasses(lines, work({ passes: [pass({ percentOff: 0 })], costs }));
    expect(results.map(({ cost, margin }) => [cost, margin])).toEqual([
      [1000, 5983],
      [600, 4000],
      [600, 2500],
    ]);
  });

  it('comes to the prices that the price book makes of the formula', () => {
    const formulas = fc.oneof(
      fc.integer({ min: 0, max: 10000 }).map((percentOff): FormulaDocument => ({ percentOff })),
      fc
        .integer({ min: 0, max: 500 })
        .map((cents): FormulaDocument => ({ amountOff: `0.${String(cents % 100).padStart(2, '0')}` })),
      fc
        .integer({ min: 1, max: 999999 })
        .map((millionths): FormulaDocument => ({ multiplyBy: `0.${String(millionths).padStart(6, '0')}` })),
    );
    const roundings = fc.constantFrom<RoundingDocument | undefined>(
      undefined,
      { step: '0.05', mode: 'nearest' },
      { endings: ['0.49', '0.99'], mode: 'down' },
    );
    fc.assert(
      fc.property(formulas, roundings, (formula, rounding) => {
        const results = runPasses(lines, work({ passes: [pass(formula, rounding)] }));
        const priced = compiled(
          withPromotions(change('f', { formula, rounding, mayRaise: true, items: { node: 'sun' } })),
        );
        lines.forEach(({ sku }, i) => {
          const answer = priceAt(priced, {
            sku,
            store: 'east',
            at: Date.parse('2027-04-01T10:00Z') as never,
            shopper: GUEST,
          });
          expect(answer).toMatchObject({ price: results[i]!.price });
        });
      }),
      { numRuns: 60 },
    );
  });
});

describe('looking at a worksheet', () => {
  const { lines } = facts({}, [{ items: { all: true }, list: null }]);
  const done = work({
    passes: [pass({ percentOff: 1000 })],
    own: new Map([
      ['spray', money(300)],
      ['bar', money(120)],
      ['gel-50', money(500)],
    ]),
    removed: new Set(['oil']),
  });
  const results = runPasses(lines, done);
  const skus = (look: Partial<Parameters<typeof shownLines>[2]>) =>
    [...shownLines(lines, results, { filter: 'all', text: '', sort: null, marginFloor: 1000, ...look })].map(
      (i) => lines[i]!.sku,
    );

  it.each([
    ['all', ['milk', 'spray', 'gel-50', 'gel-90', 'bar']],
    ['below-cost', ['spray']],
    ['rises', ['bar']],
    ['unchanged', ['gel-50']],
    ['by-hand', ['spray', 'gel-50', 'bar']],
    ['removed', ['oil']],
    ['no-price', []],
  ] as const)('the filter %s shows %j', (filter, wanted) => {
    expect(skus({ filter })).toEqual(wanted);
    expect(filterCounts(lines, results, 1000)[filter]).toBe(wanted.length);
  });

  it('finds by words, and sorts by any column with what is empty last', () => {
    expect(skus({ text: 'GEL 9' })).toEqual(['gel-90']);
    expect(skus({ sort: { field: 'price', descending: true } })).toEqual([
      'milk',
      'gel-90',
      'gel-50',
      'spray',
      'bar',
    ]);
    expect(skus({ sort: { field: 'cost', descending: false } })).toEqual([
      'bar',
      'spray',
      'milk',
      'gel-50',
      'gel-90',
    ]);
  });

  it('adds its lines up, without those that were taken out', () => {
    expect(sheetSums(lines, results)).toEqual({
      lines: 5,
      regular: 2490 + 1000 + 500 + 900 + 100,
      price: 2241 + 300 + 500 + 810 + 120,
      cost: 1200 + 400 + 40,
      priceWithCost: 2241 + 300 + 120,
      margin: 3836,
      change: -2042,
      breakEven: Math.ceil(((2490 + 1000 + 100 - 1640) * 100) / (2661 - 1640)),
    });
  });
});
