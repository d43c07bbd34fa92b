import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import { listChoices } from '../../usecases/index.ts';
import { goodsChoices, storeChoices } from './choices.ts';

const of = (choices: readonly { label: string; kind: string }[]) =>
  choices.map(({ label, kind }) => `${kind}: ${label}`);

describe('what can be chosen', () => {
  it('of goods: the hierarchy first, then sets, brands, tags, attributes, and the items that were found', async () => {
    const all = goodsChoices(await listChoices(inMemory(SMALL), person('planner')), [
      { sku: 'milk', name: 'Sun milk' },
    ]);
    expect(of(all)).toEqual([
      'Hierarchy: Beauty',
      'Hierarchy: Sun care',
      'Hierarchy: Food',
      'Sets: Summer',
      'Brands: Wrenfold',
      'Tags: new',
      'Attributes: 100',
      'Single items: Sun milk',
    ]);
    expect(all.find(({ label }) => label === 'Sun care')).toMatchObject({
      note: 'Beauty',
      rule: { node: 'sun' },
    });
    expect(all.at(-1)).toMatchObject({ note: 'milk', rule: { items: ['milk'] } });
  });

  it('of stores: groups first, single stores last, each with the time of its clock', async () => {
    const all = storeChoices(await listChoices(inMemory(SMALL), person('planner')));
    expect(of(all)).toEqual([
      'Store groups: City stores',
      'Price zones: Mainland',
      'Price zones: Isles',
      'Regions: Coast',
      'Tags: city',
      'Single stores: East',
      'Single stores: West',
    ]);
    expect(all.at(-1)).toMatchObject({ note: 'Lisbon time', rule: { stores: ['west'] } });
  });

  it('is told apart by its value, whatever the names', async () => {
    const choices = await listChoices(inMemory(SMALL), person('planner'));
    const values = [...goodsChoices(choices, []), ...storeChoices(choices)].map(
      ({ value, kind }) => `${kind} ${value}`,
    );
    expect(new Set(values).size).toBe(values.length);
  });
});
