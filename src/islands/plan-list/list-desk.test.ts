import { describe, expect, it } from 'vitest';
import type { PromotionSummary } from '../../contracts/view/index.ts';
import type { Phase } from '../../ui/phase.ts';
import { isKept, type Kept, LIST_DESK, listAfter, matching } from './list-desk.ts';

const listed = (id: string, phase: Phase, more: Partial<PromotionSummary> = {}) => ({
  promotion: { id, name: `The ${id}`, sentence: 'pays less on Sun care', waiting: null, ...more } as never,
  phase,
});
const submitted = { waiting: { state: 'submitted' } } as never;

describe('the list keeps', () => {
  it.each<[Kept, Phase, boolean]>([
    ['open', 'draft', true],
    ['open', 'over', false],
    ['open', 'archived', false],
    ['all', 'archived', true],
    ['draft', 'draft', true],
    ['draft', 'over', false],
    ['waiting', 'draft', false],
  ])('under "%s" one that is %s: %s', (kept, phase, wanted) => {
    expect(isKept(listed('a', phase), kept)).toBe(wanted);
  });
  it('what was submitted where approval is waited for', () => {
    expect(isKept(listed('a', 'draft', submitted), 'waiting')).toBe(true);
  });
});

describe('the words typed', () => {
  const all = [listed('autumn', 'draft'), listed('winter', 'draft')];
  const idsOf = (found: ReturnType<typeof matching>) => found.map(({ promotion }) => promotion.id);
  it.each([
    ['', [], ['autumn', 'winter']],
    ['wint', [], ['winter']],
    ['sun care', [], ['autumn', 'winter']],
    ['q100181', ['autumn'], ['autumn']],
    ['nothing', [], []],
  ])('"%s" find what they name, or what touches the item', (sought, touching, wanted) => {
    expect(idsOf(matching(all, sought, new Set(touching)))).toEqual(wanted);
  });
});

describe('choosing', () => {
  it('takes one in and out, or a whole list at once', () => {
    const one = listAfter(LIST_DESK, { type: 'toggled', id: 'a' });
    expect([...one.chosen]).toEqual(['a']);
    expect([...listAfter(one, { type: 'toggled', id: 'a' }).chosen]).toEqual([]);
    expect([...listAfter(one, { type: 'chosen', ids: ['b', 'c'] }).chosen]).toEqual(['b', 'c']);
  });
});
