import fc from 'fast-check';
import { describe, expect, it, test } from 'vitest';
import { cardCheckDigit, groupOfCard, hasCardCheckDigit, normalCard } from './index.ts';

test.each([
  ['2750 0000 0001 6', '2750000000016'],
  ['2750-0000-0001-6', '2750000000016'],
  ['ab 12', 'AB12'],
  ['–', ''],
])('a card "%s" is compared as "%s"', (typed, normal) => {
  expect(normalCard(typed)).toBe(normal);
});

describe('the check digit of a card', () => {
  it.each([
    ['7992739871', 3],
    ['0', 0],
    ['1', 8],
    ['275000000001', 6],
  ])('of %s is %i', (digits, check) => {
    expect(cardCheckDigit(digits)).toBe(check);
  });

  it('finds every single digit that is mistyped', () => {
    fc.assert(
      fc.property(
        fc.stringMatching(/^\d{5,18}$/),
        fc.nat(),
        fc.integer({ min: 1, max: 9 }),
        (body, where, by) => {
          const number = `${body}${cardCheckDigit(body)}`;
          const i = where % number.length;
          const wrong = `${number.slice(0, i)}${(Number(number[i]) + by) % 10}${number.slice(i + 1)}`;
          expect([hasCardCheckDigit(number), hasCardCheckDigit(wrong)]).toEqual([true, false]);
        },
      ),
    );
  });
});

describe('the kind of shopper of a card', () => {
  const kinds = [
    { id: 'staff', name: 'Staff' },
    { id: 'members', name: 'Members', cards: { prefix: '2750', digits: 13 } },
  ];
  it.each([
    ['2750000000016', 'members'],
    ['2750 0000 0001 6', 'members'],
    // One digit wrong, one too many, another beginning, no number.
    ['2750000000017', null],
    [`27500000000${'01'}${cardCheckDigit('2750000000001')}`, null],
    ['2760000000014', null],
    ['MEMBERS', null],
  ])('%s is %s', (card, group) => {
    expect(groupOfCard(kinds, card)).toBe(group);
  });
});
