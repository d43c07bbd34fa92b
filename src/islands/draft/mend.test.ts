import { describe, expect, it } from 'vitest';
import { change } from '../../../tests/plans/small-plan.ts';
import type { FindingMend } from '../../contracts/view/index.ts';
import type { Draft } from './draft.ts';
import { mended, mendIn, mendText } from './mend.ts';

const DRAFT = change('a', { priority: 30, items: { node: 'sun' } }) as unknown as Draft;
const itemsOf = (draft: Draft) => (draft.offer as { items: unknown }).items;

describe('a mend', () => {
  it.each<[string, Omit<FindingMend, 'promotion' | 'name'>]>([
    ['of a priority', { kind: 'go-first', priority: 29 }],
    ['of an end', { kind: 'end', at: '2027-03-01T09:00' }],
    ['of a beginning', { kind: 'begin', at: '2027-03-01T09:00' }],
    ['of how often', { kind: 'once' }],
    ['of goods', { kind: 'leave-out', items: ['a', 'with space', 'b,c/ü&%'] }],
  ])('%s is read out of an address as it was written', (_, mend) => {
    expect(mendIn(mendText({ promotion: 'p', name: 'P', ...mend }))).toEqual(mend);
  });

  it.each([
    null,
    '',
    'go-first',
    'go-first soon',
    'go-first -1',
    'leave-out',
    'begin again',
    'end',
    'begin',
    'stop',
  ])('is none where the address says %j', (text) => {
    expect(mendIn(text)).toBe(null);
  });

  it('changes the priority, or leaves goods out beside what is left out already', () => {
    expect(mended(DRAFT, { kind: 'go-first', priority: 29 })).toEqual({ ...DRAFT, priority: 29 });
    const once = mended(DRAFT, { kind: 'leave-out', items: ['milk'] });
    expect(itemsOf(once)).toEqual({ allOf: [{ node: 'sun' }, { not: { items: ['milk'] } }] });
    const twice = mended(once, { kind: 'leave-out', items: ['oil'] });
    expect(itemsOf(twice)).toEqual({
      allOf: [{ node: 'sun' }, { not: { items: ['milk'] } }, { not: { items: ['oil'] } }],
    });
    const deal = { ...DRAFT, offer: { kind: 'comboDeal' } } as unknown as Draft;
    expect(mended(deal, { kind: 'leave-out', items: ['milk'] })).toBe(deal);
  });

  it('changes the beginning, the end, or how often a deal is given in a basket', () => {
    const at = '2027-03-05T09:00';
    expect(mended(DRAFT, { kind: 'end', at }).when).toEqual({ ...DRAFT.when, to: at });
    expect(mended(DRAFT, { kind: 'begin', at }).when).toEqual({ ...DRAFT.when, from: at });
    expect(mended(DRAFT, { kind: 'once' })).toBe(DRAFT);
    const deal = { ...DRAFT, offer: { kind: 'quantityBreak' } } as unknown as Draft;
    expect(mended(deal, { kind: 'once' })).toEqual({ ...deal, limitPerBasket: 1 });
  });
});
