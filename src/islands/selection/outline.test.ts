import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compiled, SMALL } from '../../../tests/plans/small-plan.ts';
import type { ItemRule } from '../../core/plan/index.ts';
import { compileItemRule } from '../../core/selection/index.ts';
import { asGroup, type Group, outlineOf, ruleOfOutline, withAdded, withExcept, withPart } from './outline.ts';

const PLAN = compiled(SMALL);
const selects = (rule: ItemRule): string[] => {
  const numbers = compileItemRule(rule, PLAN.catalogue, PLAN.plan.currency).numbers()!;
  return [...numbers].map((index) => PLAN.catalogue.items[index]!.sku);
};

const leaf = fc.constantFrom<ItemRule>(
  { node: 'sun' },
  { node: 'food' },
  { brand: 'Wrenfold' },
  { set: 'summer' },
  { items: ['gel', 'oil'] },
  { all: true },
);
const rules = fc.letrec<{ rule: ItemRule }>((tie) => ({
  rule: fc.oneof(
    { maxDepth: 3 },
    leaf,
    fc.array(tie('rule'), { minLength: 1, maxLength: 3 }).map((allOf) => ({ allOf })),
    fc.array(tie('rule'), { minLength: 1, maxLength: 3 }).map((anyOf) => ({ anyOf })),
    tie('rule').map((not) => ({ not })),
  ),
})).rule;

describe('a rule as it is built on the screen', () => {
  it('selects what the rule selects, there and back', () => {
    fc.assert(
      fc.property(rules, (rule) => {
        expect(selects(ruleOfOutline(outlineOf(rule)))).toEqual(selects(rule));
      }),
      { numRuns: 300 },
    );
  });

  it.each<[ItemRule, ItemRule]>([
    [{ anyOf: [{ node: 'sun' }] }, { node: 'sun' }],
    [
      { not: { anyOf: [{ node: 'sun' }, { node: 'food' }] } },
      { not: { anyOf: [{ node: 'sun' }, { node: 'food' }] } },
    ],
    [
      { allOf: [{ node: 'sun' }, { not: { brand: 'x' } }] },
      { allOf: [{ node: 'sun' }, { not: { brand: 'x' } }] },
    ],
  ])('%j is said as %j', (rule, short) => {
    expect(ruleOfOutline(outlineOf(rule))).toEqual(short);
  });

  const sun: Group<ItemRule> = asGroup(outlineOf<ItemRule>({ node: 'sun' }));
  it('leaves out what is put under "except", of all that was chosen before', () => {
    const two = withAdded(sun, [], { kind: 'leaf', rule: { node: 'food' } });
    const except = withExcept(two);
    expect(selects(ruleOfOutline(except))).toEqual(selects(ruleOfOutline(two)));
    const filled = withAdded(except, [1], { kind: 'leaf', rule: { brand: 'Wrenfold' } });
    expect(selects(ruleOfOutline(filled))).toEqual(['spray', 'oil', 'bar', 'unpriced']);
  });

  it('puts the first part in the place of everything', () => {
    const all = asGroup(outlineOf<ItemRule>({ all: true }));
    expect(ruleOfOutline(withAdded(all, [], { kind: 'leaf', rule: { node: 'sun' } }))).toEqual({
      node: 'sun',
    });
  });

  it('says nothing by groups that are still empty', () => {
    const within = withAdded(sun, [], { kind: 'group', want: 'all', parts: [] });
    expect(ruleOfOutline(within)).toEqual({ node: 'sun' });
    expect(ruleOfOutline(withPart(sun, [0], null))).toEqual({ anyOf: [] });
  });
});
