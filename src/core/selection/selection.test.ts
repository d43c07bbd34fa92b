import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compiled, SMALL } from '../../../tests/plans/small-plan.ts';
import type { ItemDocument, ItemRule, StoreRule } from '../plan/index.ts';
import { compileItemRule, storesOf } from './index.ts';

const plan = compiled(SMALL);
const { catalogue } = plan;

const leaves = fc.constantFrom<ItemRule>(
  { all: true },
  { node: 'beauty' },
  { node: 'sun' },
  { node: 'food' },
  { set: 'summer' },
  { brand: 'Wrenfold' },
  { tag: 'new' },
  { attribute: 'size', in: ['100'] },
  { items: ['gel'] },
  { items: ['milk', 'bar'] },
  { items: [] },
  { regularPrice: { atLeast: '5.00' } },
  { regularPrice: { atMost: '9.00' } },
);
const { rule: rules } = fc.letrec<{ rule: ItemRule }>((tie) => ({
  rule: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    leaves,
    fc.array(tie('rule'), { maxLength: 3 }).map((allOf) => ({ allOf })),
    fc.array(tie('rule'), { maxLength: 3 }).map((anyOf) => ({ anyOf })),
    tie('rule').map((not) => ({ not })),
  ),
}));

/** The meaning of a rule said in the plainest way, on the document. */
function means(rule: ItemRule, item: ItemDocument, regular: number): boolean {
  if ('all' in rule) return true;
  if ('items' in rule)
    return rule.items.includes(item.sku) || (item.parent !== undefined && rule.items.includes(item.parent));
  if ('node' in rule) {
    for (
      let node: string | undefined = item.node;
      node;
      node = SMALL.nodes.find(({ id }) => id === node)?.parent
    )
      if (node === rule.node) return true;
    return false;
  }
  if ('set' in rule) return means(SMALL.itemSets![0]!.rule, item, regular);
  if ('brand' in rule) return item.brand === rule.brand;
  if ('tag' in rule) return item.tags?.includes(rule.tag) === true;
  if ('attribute' in rule) return rule.in.includes(item.attributes?.[rule.attribute] ?? '');
  if ('regularPrice' in rule) {
    const { atLeast = '0', atMost = '999999' } = rule.regularPrice;
    return Number(atLeast) * 100 <= regular && regular <= Number(atMost) * 100;
  }
  if ('allOf' in rule) return rule.allOf.every((part) => means(part, item, regular));
  if ('anyOf' in rule) return rule.anyOf.some((part) => means(part, item, regular));
  return !means(rule.not, item, regular);
}

describe('an item rule, however nested', () => {
  it('selects what it plainly means', () => {
    fc.assert(
      fc.property(rules, fc.integer({ min: 0, max: 3000 }), (rule, regular) => {
        const selection = compileItemRule(rule, catalogue, plan.plan.currency);
        // Asked once it answers from the rule, asked often from what it has noted of all items.
        for (let time = 0; time < 20; time++)
          SMALL.items.forEach((item, index) => {
            expect(selection.has(index, regular as never), `${item.sku} by ${JSON.stringify(rule)}`).toBe(
              means(rule, item, regular),
            );
          });
      }),
      { numRuns: 500 },
    );
  });

  it('knows its items exactly where no price is asked for', () => {
    fc.assert(
      fc.property(rules, (rule) => {
        const { asksPrices, numbers, mayHave, has } = compileItemRule(rule, catalogue, plan.plan.currency);
        expect(asksPrices).toBe(JSON.stringify(rule).includes('regularPrice'));
        const all = SMALL.items.map((_, index) => index);
        expect(numbers() === null ? null : [...numbers()!]).toEqual(
          asksPrices ? null : all.filter((index) => has(index, null)),
        );
        for (const index of all) if (asksPrices || has(index, null)) expect(mayHave(index)).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a store rule', () => {
  it.each<[StoreRule, string[]]>([
    [{ all: true }, ['east', 'west']],
    [{ stores: ['west'] }, ['west']],
    [{ group: 'city' }, ['east']],
    [{ zone: 'isles' }, ['west']],
    [{ region: 'Coast' }, ['east']],
    [{ tag: 'city' }, ['east']],
    [{ not: { tag: 'city' } }, ['west']],
    [{ allOf: [{ all: true }, { not: { stores: ['east'] } }] }, ['west']],
    [{ anyOf: [{ stores: ['east'] }, { zone: 'isles' }] }, ['east', 'west']],
    [{ allOf: [] }, ['east', 'west']],
    [{ anyOf: [] }, []],
  ])('%j means %j', (rule, wanted) => {
    expect([...storesOf(rule, plan.plan)]).toEqual(wanted);
  });

  it('takes a new store that fits into a group at once', () => {
    const stores = [...SMALL.stores, { id: 'new', name: 'New', timeZone: 'UTC', tags: ['city'] }];
    expect([...storesOf({ group: 'city' }, compiled({ ...SMALL, stores }).plan)]).toEqual(['east', 'new']);
  });
});
