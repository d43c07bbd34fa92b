import { describe, expect, it } from 'vitest';
import type { LoopholesView } from '../../contracts/view/index.ts';
import { FIRST, loopholesAfter, sureness, together } from './desk.ts';

const store = (id: string) => ({ id, name: id });
const loophole = (margin: string, ...ids: string[]) => ({
  ...{ margin, goods: '1.00', cost: '2.00', units: 1, lines: [], codes: [], mends: [] },
  ...{ promotions: ids.map(store), loses: Number(margin) < 0 },
});
const answer = (
  found: LoopholesView['found'],
  looked: Partial<LoopholesView['looked']> = {},
): LoopholesView => ({
  currency: 'EUR',
  found,
  looked: { units: 12, proved: true, bound: null, baskets: 10, ...looked },
  leftOut: { withoutCost: 0, weighed: 0 },
});

describe('the desk of the loopholes', () => {
  it('holds no more codes than may be held, and lets them go', () => {
    let desk = FIRST;
    for (const code of ['A', 'B', 'C', 'D', 'E'])
      desk = loopholesAfter(desk, { type: 'code', code, held: true });
    expect(desk.codes).toEqual(['B', 'C', 'D', 'E']);
    expect(loopholesAfter(desk, { type: 'code', code: 'C', held: false }).codes).toEqual(['B', 'D', 'E']);
    expect(loopholesAfter(desk, { type: 'sized', units: 6 })).toEqual({ ...desk, units: 6 });
    const begun = loopholesAfter(desk, { type: 'began' });
    expect([begun.begun, loopholesAfter(begun, { type: 'stopped' }).begun]).toEqual([true, false]);
  });

  it('puts together what the same promotions make in several places, by what it leaves', () => {
    const cases = [
      { stores: [store('s1'), store('s2')] },
      { stores: [store('s3')] },
      { stores: [store('s4')] },
    ];
    const found = together(cases, [
      answer([loophole('-1.00', 'a'), loophole('0.50', 'b')]),
      answer([loophole('-10.00', 'a'), loophole('-2.00', 'a', 'b')]),
      undefined,
    ]);
    expect(
      found.map(({ loophole: { margin }, stores }) => [margin, stores.map(({ id }) => id).join()]),
    ).toEqual([
      ['-10.00', 's3,s1,s2'],
      ['-2.00', 's3'],
      ['0.50', 's1,s2'],
    ]);
  });

  it('says how sure that is', () => {
    expect(sureness([answer([]), undefined])).toEqual({ cases: 1, open: 0, bound: null, baskets: 10 });
    const open = (bound: string) => answer([], { proved: false, bound });
    expect(sureness([answer([]), open('-2.00'), open('-10.00')])).toEqual({
      ...{ cases: 3, open: 2, bound: '-10.00', baskets: 30 },
    });
  });
});
