import { describe, expect, it } from 'vitest';
import { ASSUMED_AT_FIRST, assumedOf, misreadFields } from './assumed.ts';

describe('what is assumed', () => {
  it('is read as it is typed, in hundredths', () => {
    expect(assumedOf(ASSUMED_AT_FIRST)).toEqual({
      ...{ unitsAWeek: 1_000, demand: { kind: 'uplift', by: 5_000 }, fromOthers: 1_000, takeUp: 5_000 },
    });
    const typed = { ...ASSUMED_AT_FIRST, demand: 'elasticity' as const, elasticity: '1.5' };
    expect(assumedOf(typed)?.demand).toEqual({ kind: 'elasticity', of: -150 });
    const own = { ...typed, upliftOf: { a: '30', b: '', c: 'much' } };
    expect(assumedOf(own)?.upliftOf).toEqual({ a: 3_000 });
  });

  it.each([
    ['unitsAWeek', ''],
    ['uplift', 'half'],
    ['takeUp', '101'],
    ['elasticity', '11'],
    ['fromOthers', '-1'],
  ] as const)('is not asked with where %s says %j', (field, text) => {
    const typed = { ...ASSUMED_AT_FIRST, [field]: text };
    expect(misreadFields(typed)).toEqual([field]);
    expect(assumedOf(typed)).toBe(null);
  });
});
