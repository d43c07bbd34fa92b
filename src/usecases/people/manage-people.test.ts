import { beforeEach, describe, expect, it } from 'vitest';
import { peopleInMemory, stored } from '../../../tests/plans/people.ts';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import type { InviteRequest, PersonStepRequest } from '../../contracts/index.ts';
import { listPeople } from './list-people.ts';
import { changePerson, invitePerson, stepPerson } from './manage-people.ts';
import { sendForgotten, setPassword } from './set-password.ts';

const ADMIN = { ...person('administrator'), id: 'a' };
const NOW = new Date('2027-03-01T10:00:00Z');
let desk: ReturnType<typeof peopleInMemory>;
beforeEach(() => {
  desk = peopleInMemory(stored('a', { role: 'administrator' }), stored('p'));
});

const INVITED: InviteRequest = {
  ...{ name: 'Nell', email: 'nell@quillmere.example', role: 'store', costs: false, stores: ['east'] },
};

describe('somebody who is invited', () => {
  it('is what was said of them, and is sent a link', async () => {
    const outcome = await invitePerson(desk.ports, ADMIN, INVITED);
    expect(outcome.ok && desk.all.get(outcome.value.id)).toMatchObject(INVITED);
    expect(desk.links).toEqual([INVITED.email]);
  });

  it.each<[string, Partial<InviteRequest>, string]>([
    ['with an address that somebody has, however it is written', { email: 'P@Quillmere.example' }, 'email'],
    ['to run stores, and none is named', { stores: [] }, 'stores'],
    ['to run a store that is none', { stores: ['east', 'nowhere'] }, 'stores'],
    ['to plan, and kept to some stores', { role: 'planner' }, 'stores'],
    ['to plan goods of a department that is none', { role: 'planner', stores: [], goods: ['none'] }, 'goods'],
    ['to look, and kept to some goods', { role: 'viewer', stores: [], goods: ['drinks'] }, 'goods'],
  ])('is refused %s, and nothing is half done', async (_, more, path) => {
    expect(await invitePerson(desk.ports, ADMIN, { ...INVITED, ...more })).toMatchObject({
      failure: { kind: 'invalid', faults: [{ path: [path] }] },
    });
    expect([desk.all.size, desk.links]).toEqual([2, []]);
  });
});

describe('somebody who is there', () => {
  const said = { name: 'P', role: 'approver', costs: false, stores: [] } as const;

  it('is changed, let in no more, and again', async () => {
    expect((await changePerson(desk.ports, ADMIN, { id: 'p', ...said, stores: [] })).ok).toBe(true);
    expect(desk.all.get('p')).toMatchObject({ ...said, goods: null });
    await changePerson(desk.ports, ADMIN, { id: 'p', ...said, stores: [], goods: ['drinks'] });
    expect(desk.all.get('p')).toMatchObject({ goods: ['drinks'] });
    await stepPerson(desk.ports, ADMIN, { id: 'p', step: 'end' }, NOW);
    expect(desk.all.get('p')?.endedAt).toBe('2027-03-01T10:00:00.000Z');
    expect(await stepPerson(desk.ports, ADMIN, { id: 'p', step: 'link' }, NOW)).toMatchObject({ ok: false });
    await stepPerson(desk.ports, ADMIN, { id: 'p', step: 'return' }, NOW);
    await stepPerson(desk.ports, ADMIN, { id: 'p', step: 'link' }, NOW);
    expect([desk.all.get('p')?.endedAt, desk.links]).toEqual([null, ['p@quillmere.example']]);
  });

  it('stays administrator, and let in, as long as nobody else is one', async () => {
    const demoted = { id: 'a', ...said, stores: [] };
    const end = { id: 'a', step: 'end' } as const;
    expect(await changePerson(desk.ports, ADMIN, demoted)).toMatchObject({ failure: { kind: 'invalid' } });
    expect(await stepPerson(desk.ports, ADMIN, end, NOW)).toMatchObject({ failure: { kind: 'invalid' } });
    // One who is let in no more looks after nobody.
    desk.all.set('b', stored('b', { role: 'administrator', endedAt: '2027-01-01T00:00:00Z' }));
    expect(await stepPerson(desk.ports, ADMIN, end, NOW)).toMatchObject({ failure: { kind: 'invalid' } });
    desk.all.set('b', stored('b', { role: 'administrator' }));
    expect((await changePerson(desk.ports, ADMIN, demoted)).ok).toBe(true);
  });

  it('is not somebody who is not there', async () => {
    expect(await changePerson(desk.ports, ADMIN, { id: 'x', ...said, stores: [] })).toMatchObject({
      failure: { kind: 'not-found' },
    });
    for (const step of ['end', 'return', 'link'] as PersonStepRequest['step'][])
      expect(await stepPerson(desk.ports, ADMIN, { id: 'x', step }, NOW)).toMatchObject({
        failure: { kind: 'not-found' },
      });
  });
});

it.each(['viewer', 'store', 'planner', 'approver'] as const)(
  'people are not a %s’s to look after',
  async (role) => {
    const who = person(role);
    const refused = { ok: false, failure: { kind: 'forbidden' } };
    expect(await listPeople({ ...desk.ports, rules: inMemory(SMALL).rules }, who)).toEqual(refused);
    expect(await invitePerson(desk.ports, who, INVITED)).toEqual(refused);
    expect(await changePerson(desk.ports, who, { id: 'p', ...INVITED })).toEqual(refused);
    expect(await stepPerson(desk.ports, who, { id: 'p', step: 'end' }, NOW)).toEqual(refused);
  },
);

it('a password is set by a link that is good, and by no other', async () => {
  expect(await setPassword(desk.ports, { token: 'good', password: 'x' })).toMatchObject({ ok: true });
  expect(await setPassword(desk.ports, { token: 'used', password: 'x' })).toMatchObject({
    failure: { kind: 'invalid', faults: [{ path: ['token'] }] },
  });
});

it('a forgotten password is set by a link to whom it is for, and to nobody else', async () => {
  desk.all.set('gone', stored('gone', { endedAt: NOW.toISOString() }));
  for (const typed of ['P@quillmere.example', 'gone@quillmere.example', 'none@quillmere.example'])
    await sendForgotten(desk.ports, typed);
  expect(desk.links).toEqual(['p@quillmere.example']);
});
