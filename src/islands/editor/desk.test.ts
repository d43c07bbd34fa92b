import { describe, expect, it } from 'vitest';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { type Draft, draftOf } from '../draft/draft.ts';
import { type Desk, type DeskEvent, deskAfter, deskOf, type Opened, savedOf, savedSince } from './desk.ts';

const draft = (name: string, percentOff = 1_000): Draft =>
  draftOf({
    id: 'autumn',
    name,
    status: 'draft',
    when: { from: '2027-03-01T09:00' },
    offer: { kind: 'priceChange', items: { node: 'soups' }, formula: { percentOff } },
  });
const opened = (name: string, revision = 1): Opened =>
  ({ promotion: draft(name) as PromotionDocument, change: null, revision, history: [] }) as never;
const begun = deskOf(null, draft(''), null);
const told = (desk: Desk, ...events: readonly DeskEvent[]): Desk => events.reduce(deskAfter, desk);
const typed = (name: string, at: number): DeskEvent => ({ type: 'written', draft: draft(name), at });

describe('a desk begins', () => {
  it.each([
    ['with a fresh draft', null, null, ''],
    ['with what stands', opened('Stands'), null, 'Stands'],
    ['with what was not saved', opened('Stands'), { draft: draft('Unsaved') }, 'Unsaved'],
  ] as const)('%s', (_, stands, unsaved, name) => {
    expect(deskOf(stands, draft(''), unsaved as never).draft.name).toBe(name);
  });
  it('with the change that waits, where one does', () => {
    const waiting = { ...opened('Stands'), change: { promotion: draft('Waits') } } as never;
    expect(deskOf(waiting, draft(''), null).draft.name).toBe('Waits');
  });
});

describe('writing', () => {
  it('in one go is one step back', () => {
    const desk = told(begun, typed('S', 1_000), typed('So', 1_300), typed('Soup', 1_900));
    expect(desk.past).toHaveLength(1);
    expect(told(desk, { type: 'undone' }).draft.name).toBe('');
  });
  it('after a rest is another step', () => {
    const desk = told(begun, typed('Soup', 1_000), typed('Soup week', 9_000));
    const back = told(desk, { type: 'undone' });
    expect(back.draft.name).toBe('Soup');
    expect(told(back, { type: 'redone' }).draft.name).toBe('Soup week');
    expect(told(back, { type: 'undone' }, { type: 'undone' }).draft.name).toBe('');
  });
  it('after a step back forgets what was taken back, and is a step of its own', () => {
    const desk = told(begun, typed('Soup', 1_000), { type: 'undone' }, typed('Tea', 1_100));
    expect(desk.future).toEqual([]);
    expect(told(desk, { type: 'redone' }).draft.name).toBe('Tea');
    expect(told(desk, { type: 'undone' }).draft.name).toBe('');
  });
  it('takes back what was said of the last saving, not what was refused', () => {
    const saved = told(begun, { type: 'reopened', opened: opened('Soup'), words: 'Saved.' });
    expect(told(saved, typed('Soups', 1)).saving).toEqual({ kind: 'idle' });
    const refusal = { status: 422, message: 'no', faults: [], current: undefined };
    const refused = told(begun, { type: 'refused', refusal });
    expect(told(refused, typed('Soups', 1)).saving).toEqual({ kind: 'refused', refusal });
  });
  it('of a worksheet, its prices and costs changes a price change, and no deal', () => {
    const deal = { ...draft('Deal'), offer: { kind: 'mixAndMatch', items: { all: true }, take: 2 } };
    const desk = { ...begun, draft: deal as never as Draft };
    const worksheet = { passes: [] };
    for (const event of [
      { type: 'sheet-written', worksheet, at: 1 },
      { type: 'costs-written', costs: { Q1: '1.00' } },
    ] as const) {
      expect(told(desk, event)).toBe(desk);
      expect(told(begun, event).draft).not.toEqual(begun.draft);
    }
  });
});

describe('what stands on the server', () => {
  const mine = told(deskOf(opened('Stands'), draft(''), null), typed('Mine', 1_000), { type: 'asked' });
  it('takes the place of what is written, when it is asked for or was saved', () => {
    const desk = told(mine, { type: 'reopened', opened: opened('Theirs', 2), words: 'Saved.' });
    expect(desk).toMatchObject({ draft: { name: 'Theirs' }, saving: { kind: 'saved', words: 'Saved.' } });
    expect(desk.draft).toBe(savedOf(desk));
  });
  describe('and was saved by somebody else meanwhile', () => {
    const overtaken = told(mine, { type: 'overtaken', opened: opened('Theirs', 2) });
    it('is shown beside what is written, and nothing is written over', () => {
      expect(overtaken).toMatchObject({
        ...{ draft: { name: 'Mine' }, kept: { revision: 1 }, overtaken: { revision: 2 } },
        saving: { kind: 'idle' },
      });
    });
    it('is written on over from then on, once both were put together', () => {
      const desk = told(overtaken, { type: 'merged', draft: draft('Both'), at: 1_001 });
      expect(desk).toMatchObject({ draft: { name: 'Both' }, kept: { revision: 2 }, overtaken: null });
      expect(told(desk, { type: 'undone' })).toMatchObject({
        draft: { name: 'Mine' },
        kept: { revision: 2 },
      });
    });
    it('takes the place of what is written where that is wanted, which can be taken back', () => {
      const desk = told(overtaken, { type: 'theirs-taken', at: 1_001 });
      expect(desk).toMatchObject({ draft: { name: 'Theirs' }, kept: { revision: 2 }, overtaken: null });
      expect(told(desk, { type: 'undone' }).draft.name).toBe('Mine');
      expect(told(mine, { type: 'theirs-taken', at: 1_001 })).toBe(mine);
    });
  });
  it('tells what was saved since it was opened, the first first', () => {
    const of = (...ids: number[]) => ({ ...opened('One'), history: ids.map((id) => ({ id })) }) as never;
    expect(savedSince(of(2, 1), of(4, 3, 2, 1)).map(({ id }) => id)).toEqual([3, 4]);
  });
  it('is written on again where what was not saved is put aside, which can be taken back', () => {
    const desk = told(mine, { type: 'put-aside', at: 9_000 });
    expect(desk.draft.name).toBe('Stands');
    expect(told(desk, { type: 'undone' }).draft.name).toBe('Mine');
  });
});
