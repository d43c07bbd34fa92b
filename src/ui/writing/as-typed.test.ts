import { describe, expect, it } from 'vitest';
import { writingIn } from '../../contracts/index.ts';
import { asTyped, dayAsTyped, inField } from './as-typed.ts';
import { readBy } from './reader.ts';

const by = <T>(language: string, work: () => T): T => readBy(writingIn(language), work);

describe('a number as its reader types it', () => {
  it.each([
    ['de-DE', '1.000', '1000'],
    ['de-DE', '1.234.567', '1234567'],
    ['de-DE', '12,50', '12,50'],
    ['de-DE', '1.50', '1.50'],
    ['de-DE', '0.125', '0.125'],
    ['de-DE', '1.000,00', '1.000,00'],
    ['en-US', '1,000', '1000'],
    ['en-US', '3,20', '3,20'],
    ['en-IN', '12,34,567', '1234567'],
    ['en-IN', '1,234,567', '1,234,567'],
    ['fr-FR', '1.000', '1.000'],
    ['en', 'as it is', 'as it is'],
  ])('in %s %s is %s', (language, text, plain) => {
    expect(by(language, () => asTyped(text))).toBe(plain);
  });
  it('stands in a field with its decimal mark', () => {
    expect(by('de-DE', () => [inField('2.5'), inField('15'), inField('0.49 0.99'), inField('')])).toEqual([
      '2,5',
      '15',
      '0.49 0.99',
      '',
    ]);
  });
});

it.each([
  ['en-US', '3/1/2027', '2027-03-01'],
  ['en-GB', '3/1/2027', '3/1/2027'],
  ['de-DE', '1.3.2027', '1.3.2027'],
  ['en-US', '2027-03-01', '2027-03-01'],
])('in %s the day %s is read as %s', (language, text, day) => {
  expect(by(language, () => dayAsTyped(text))).toBe(day);
});

it('each reader has a way of their own, whoever reads beside them', async () => {
  const said = await Promise.all(
    ['de-DE', 'en-US'].map((language) =>
      by(language, async () => {
        await Promise.resolve();
        return inField('2.5');
      }),
    ),
  );
  expect(said).toEqual(['2,5', '2.5']);
});
