import { beforeEach, describe, expect, it } from 'vitest';
import { peopleInMemory, stored } from '../../../tests/plans/people.ts';
import { person } from '../../../tests/plans/ports.ts';
import { stepPerson } from './manage-people.ts';
import { endSessions, listSessions } from './sessions.ts';

const NOW = new Date('2027-03-01T10:00:00Z');
const ME = { ...person('planner'), id: 'p' };
const session = (id: string) => ({
  ...{ id, since: '2027-02-01T10:00:00Z', usedAt: '2027-03-01T09:00:00Z' },
  ...{ address: null, browser: null },
});

let desk: ReturnType<typeof peopleInMemory>;
beforeEach(() => {
  desk = peopleInMemory(stored('a', { role: 'administrator' }), stored('p'));
  desk.sessions.set('p', ['phone', 'desk', 'old'].map(session)).set('a', [session('of-a')]);
});
const left = async () => (await listSessions(desk.ports, ME, 'desk', NOW)).sessions.map(({ id }) => id);

describe('where somebody is signed in', () => {
  it('is listed, the place that asks first', async () => {
    const { sessions } = await listSessions(desk.ports, ME, 'desk', NOW);
    expect(sessions.map(({ id, here }) => [id, here])).toEqual([
      ['desk', true],
      ['phone', false],
      ['old', false],
    ]);
  });

  it.each([
    [{ id: 'old' }, 1, ['desk', 'phone']],
    [{ id: 'desk' }, 1, ['phone', 'old']],
    [{ others: true as const }, 2, ['desk']],
  ])('is ended by %j', async (asked, ended, stays) => {
    expect(await endSessions(desk.ports, ME, asked, 'desk', NOW)).toEqual({ ok: true, value: { ended } });
    expect(await left()).toEqual(stays);
  });

  it('is ended for nobody else', async () => {
    expect(await endSessions(desk.ports, ME, { id: 'of-a' }, 'desk', NOW)).toMatchObject({
      failure: { kind: 'not-found' },
    });
    expect(desk.sessions.get('a')).toHaveLength(1);
  });

  it('is ended everywhere by an administrator alone', async () => {
    const step = { id: 'p', step: 'sign-out' as const };
    expect(await stepPerson(desk.ports, ME, step, NOW)).toMatchObject({ failure: { kind: 'forbidden' } });
    expect(await left()).toHaveLength(3);
    expect((await stepPerson(desk.ports, person('administrator'), step, NOW)).ok).toBe(true);
    expect(await left()).toEqual([]);
  });
});
