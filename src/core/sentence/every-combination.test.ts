import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { change, SMALL } from '../../../tests/plans/small-plan.ts';
import type {
  FormulaDocument,
  PriceChangeDocument,
  PromotionDocument,
  RoundingDocument,
  WhenDocument,
} from '../plan/index.ts';
import { dealSentence, dealText, namesOf, promotionText, roundingWords } from './index.ts';

const NAMES = namesOf(SMALL);
const BASES = [undefined, 'base', 'regular', 'cost', { priceList: 'members' }] as const;
const WITH_BASIS = [
  { percentOff: 1250 },
  { amountOff: '1.50' },
  { setTo: '9.99' },
  { multiplyBy: '0.85' },
] as const;
const FORMULAS: FormulaDocument[] = [
  ...WITH_BASIS.flatMap((way) => BASES.map((basis) => (basis === undefined ? way : { basis, ...way }))),
  { addPercent: 3000 },
  { marginOnPrice: 2500 },
];
const ROUNDINGS: (RoundingDocument | undefined)[] = [
  undefined,
  ...(['nearest', 'up', 'down'] as const).flatMap((mode): RoundingDocument[] => [
    { step: '0.05', mode },
    { endings: ['0.49', '0.99'], mode },
    { endings: ['4.99'], per: '10.00', mode },
  ]),
];
const WHENS: WhenDocument[] = [
  { from: '2027-03-01T09:00' },
  { from: '2027-03-01T09:00', to: '2027-03-08T20:00', except: ['2027-03-04'] },
  { from: '2027-03-01T09:00', windows: [{ days: ['thu', 'fri'], from: '18:00', to: '20:00' }] },
  { from: '2027-03-01T09:00', repeat: { rrule: 'FREQ=MONTHLY;BYDAY=1SA', duration: 'P1D' } },
  { from: '2027-03-01T09:00', repeat: { rrule: 'FREQ=MONTHLY;BYDAY=MO,TU;BYSETPOS=-1', duration: 'PT6H' } },
];

const arbitrary = fc.record({
  formula: fc.constantFrom(...FORMULAS),
  rounding: fc.constantFrom(...ROUNDINGS),
  when: fc.constantFrom(...WHENS),
  where: fc.constantFrom(
    undefined,
    { group: 'city' },
    { allOf: [{ zone: 'main' }, { not: { stores: ['east'] } }] },
  ),
  who: fc.constantFrom(undefined, { groups: ['members'] }, { guests: true }, { guests: false }),
  channels: fc.constantFrom(undefined, ['web']),
  terminals: fc.constantFrom(undefined, ['counter']),
  alone: fc.boolean(),
  mayRaise: fc.boolean(),
});

const promotionOf = (said: Record<string, unknown>): PromotionDocument =>
  change('a', JSON.parse(JSON.stringify({ ...said, items: { node: 'sun' } })));

describe('the sentence of a price change', () => {
  it('says every part of every combination, and ends as a sentence does', () => {
    fc.assert(
      fc.property(arbitrary, (said) => {
        const promotion = promotionOf(said);
        const text = promotionText(promotion, 'EUR', NAMES);
        const parts = dealSentence(promotion, promotion.offer as PriceChangeDocument, 'EUR', NAMES);
        for (const part of [parts.when, parts.where, parts.who, parts.formula, parts.items, ...parts.rest])
          expect(text).toContain(part);
        if (said.rounding) expect(text).toContain(roundingWords(said.rounding, NAMES.writing));
        if (said.terminals) expect(text).toContain('only at the terminals counter');
        if (said.channels) expect(text).toContain('only in the channel web');
        expect(text).toMatch(/^[A-Z].*\.$/s);
        expect(text).not.toMatch(/undefined|null|\[object|NaN| {2}/);
      }),
      { numRuns: 400 },
    );
  });

  it('says no two formulas and no two roundings alike', () => {
    const basedOnBase = (formula: FormulaDocument) => 'basis' in formula && formula.basis === 'base';
    const texts = FORMULAS.filter(
      (formula) => !basedOnBase(formula) && !('setTo' in formula && 'basis' in formula),
    ).map((formula) => promotionText(promotionOf({ formula }), 'EUR', NAMES));
    expect(new Set(texts).size).toBe(texts.length);
    const roundings = ROUNDINGS.map((rounding) => promotionText(promotionOf({ rounding }), 'EUR', NAMES));
    expect(new Set(roundings).size).toBe(ROUNDINGS.length);
  });

  it('says a worksheet by its passes and its lines by hand, not by its prices', () => {
    const offer: PriceChangeDocument = {
      kind: 'priceChange',
      items: { items: ['milk', 'spray', 'bar'] },
      linePrices: { milk: '20.00', spray: '9.00', bar: '0.90' },
      worksheet: {
        passes: [
          { items: { node: 'sun' }, formula: { percentOff: 1000 }, rounding: { step: '0.05', mode: 'up' } },
          { items: { brand: 'Wrenfold' }, formula: { marginOnPrice: 2500 } },
        ],
        own: { bar: '0.90' },
      },
    };
    const text = dealText(dealSentence(change('a'), offer, 'EUR', NAMES));
    expect(text).toContain(
      'pay 10 % less on Sun care rounded up to 0.05, then a price with 25 % margin for the brand Wrenfold, 1 item at a price of their own.',
    );
  });

  it('says a rule that has no plain words as the rule', () => {
    expect(promotionText(promotionOf({ when: WHENS[4] }), 'EUR', NAMES)).toContain(
      'by the rule FREQ=MONTHLY;BYDAY=MO,TU;BYSETPOS=-1, each time for 6 hours',
    );
  });
});
