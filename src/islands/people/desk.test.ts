import { describe, expect, it } from 'vitest';
import type { PersonRow } from '../../contracts/view/index.ts';
import { FIRST, type PeopleEvent, peopleAfter, saidOf } from './desk.ts';

const TOVE: PersonRow = {
  ...{ id: 't', name: 'Tove', email: 'tove@quillmere.example', role: 'store', costs: false },
  ...{ stores: ['s001'], goods: null, secondStep: false, endedAt: null },
};
const deskAfter = (...events: PeopleEvent[]) => events.reduce(peopleAfter, FIRST);

describe('the desk of people', () => {
  it('begins with nobody, who is shown no costs', () => {
    expect(deskAfter({ type: 'invite' }).open).toEqual({
      whom: { kind: 'new' },
      draft: { name: '', email: '', role: 'planner', costs: false, stores: [], goods: [] },
    });
  });

  it('opens somebody as they are, and takes stores and words', () => {
    const { open } = deskAfter(
      { type: 'change', of: TOVE },
      { type: 'store', id: 's002', theirs: true },
      { type: 'store', id: 's001', theirs: false },
      { type: 'typed', more: { costs: true } },
    );
    expect(open).toMatchObject({ whom: { kind: 'one', id: 't' }, draft: { stores: ['s002'], costs: true } });
  });

  it('is shut when it is left or done, and then says what was done', () => {
    expect(deskAfter({ type: 'invite' }, { type: 'left' })).toEqual(FIRST);
    expect(deskAfter({ type: 'invite' }, { type: 'done', said: 'Kept.' })).toEqual({
      open: null,
      said: 'Kept.',
    });
    // What is typed where nothing is open is nothing.
    expect(
      deskAfter({ type: 'typed', more: { name: 'x' } }, { type: 'store', id: 's', theirs: true }),
    ).toEqual(FIRST);
  });

  it('sends stores of somebody who runs stores, and of nobody else', () => {
    const draft = { name: 'T', email: '', costs: true, stores: ['s001'], goods: ['sun'] };
    expect(saidOf({ ...draft, role: 'store' }).stores).toEqual(['s001']);
    expect(saidOf({ ...draft, role: 'planner' }).stores).toEqual([]);
  });

  it('sends departments of who plans or approves, where some are chosen', () => {
    const { open } = deskAfter(
      { type: 'invite' },
      { type: 'department', id: 'sun', theirs: true },
      { type: 'department', id: 'tea', theirs: true },
      { type: 'department', id: 'sun', theirs: false },
    );
    expect(saidOf(open!.draft).goods).toEqual(['tea']);
    expect(saidOf({ ...open!.draft, role: 'viewer' })).not.toHaveProperty('goods');
    expect(saidOf({ ...open!.draft, goods: [] })).not.toHaveProperty('goods');
  });
});
