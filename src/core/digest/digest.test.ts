import fc from 'fast-check';
import { expect, it } from 'vitest';
import { stable, stableTexts } from './digest.ts';

/** Names as plans have them: those that are numbers are put in another order by the language itself. */
const name = fc.stringMatching(/^[a-z]{1,6}$/);
const { value } = fc.letrec((tie) => ({
  value: fc.oneof(
    { depthSize: 'small' },
    fc.string(),
    fc.integer(),
    fc.constantFrom(null, undefined, true),
    fc.array(tie('value'), { maxLength: 4 }),
    fc.dictionary(name, tie('value'), { maxKeys: 4 }),
  ),
}));
const plan = fc.dictionary(name, value, { maxKeys: 6 });

it('the texts of values that share members are those that each has alone', () => {
  fc.assert(
    fc.property(plan, plan, (one, other) => {
      const textOf = stableTexts();
      for (const all of [one, other, { ...one, ...other }, { ...other, ...one }])
        expect(textOf(all)).toBe(stable(all));
    }),
  );
});
