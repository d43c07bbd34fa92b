import { describe, expect, it } from 'vitest';
import { peopleInMemory } from '../../../tests/plans/people.ts';
import { person } from '../../../tests/plans/ports.ts';
import type { KeyRequest } from '../../contracts/index.ts';
import type { KeyStore, NewKey, PersonSaid } from '../ports/index.ts';
import { listKeys, makeKey, stepKey } from './manage-keys.ts';

const NOW = new Date('2027-03-10T12:00:00Z');
const MADE = { text: 'bt_shown', hash: 'kept' };

function desk() {
  const put: { said: PersonSaid; key: NewKey }[] = [];
  const steps: string[] = [];
  const step = (what: string) => async (id: string) => {
    if (id === 'none') return false;
    steps.push(`${what} ${id}`);
    return true;
  };
  const keys: KeyStore = {
    all: async () => [],
    put: async (said, key) => `key-${put.push({ said, key })}`,
    replace: step('replace'),
    take: step('take'),
  };
  const { people } = peopleInMemory().ports;
  const make = (more: Partial<KeyRequest> = {}, who = person('administrator')) => {
    const request: KeyRequest = {
      name: 'Feed',
      scopes: ['see'],
      costs: false,
      stores: [],
      until: null,
      ...more,
    };
    return makeKey({ people, keys }, who, request, MADE, NOW);
  };
  return { put, steps, ports: { people, keys }, make };
}

describe('a key for another program', () => {
  it.each<[Partial<KeyRequest>, string]>([
    [{}, 'viewer'],
    [{ stores: ['east'] }, 'store'],
    [{ scopes: ['see', 'plan'] }, 'planner'],
    [{ scopes: ['see', 'approve'] }, 'approver'],
    [{ scopes: ['see', 'plan', 'send'] }, 'approver'],
  ])('of %j is at most a %s', async (more, role) => {
    const { put, make } = desk();
    expect(await make(more)).toEqual({ ok: true, value: { id: 'key-1', key: 'bt_shown' } });
    expect(put[0]!.said.role).toBe(role);
    // What is shown is not what is kept.
    expect(put[0]!.key).toMatchObject({ hash: 'kept', scopes: more.scopes ?? ['see'] });
  });

  it('is good to the end of its last day', async () => {
    const { put, make } = desk();
    await make({ until: '2027-03-10' });
    expect(put[0]!.key.endsAt).toEqual(new Date('2027-03-11T00:00:00Z'));
  });

  it.each<[Partial<KeyRequest>, string]>([
    [{ until: '2027-03-09' }, 'until'],
    [{ until: 'not-a-date' }, 'until'],
    [{ stores: ['west'] }, 'stores'],
    [{ stores: ['east'], scopes: ['see', 'plan'] }, 'stores'],
  ])('is not made of %j', async (more, path) => {
    const { put, make } = desk();
    expect(await make(more)).toMatchObject({ ok: false, failure: { faults: [{ path: [path] }] } });
    expect(put).toEqual([]);
  });

  it('is an administrator’s affair, and told where there is none', async () => {
    const { put, steps, ports, make } = desk();
    const forbidden = { ok: false, failure: { kind: 'forbidden' } };
    const rufus = person('approver');
    expect(await make({}, rufus)).toEqual(forbidden);
    expect(await listKeys(ports, rufus)).toEqual(forbidden);
    expect(await stepKey(ports, rufus, { id: 'key-1', step: 'take' }, MADE, NOW)).toEqual(forbidden);
    // A program that was given everything is no administrator either.
    const program = { ...person('administrator'), scopes: ['see', 'plan', 'approve', 'send'] as const };
    expect(await make({}, program)).toEqual(forbidden);
    const basil = person('administrator');
    expect(await stepKey(ports, basil, { id: 'key-1', step: 'take' }, MADE, NOW)).toEqual({
      ok: true,
      value: {},
    });
    expect(await stepKey(ports, basil, { id: 'key-1', step: 'replace' }, MADE, NOW)).toEqual({
      ...{ ok: true, value: { key: 'bt_shown' } },
    });
    expect(await stepKey(ports, basil, { id: 'none', step: 'take' }, MADE, NOW)).toMatchObject({
      ...{ ok: false, failure: { kind: 'not-found' } },
    });
    expect([put, steps]).toEqual([[], ['take key-1', 'replace key-1']]);
  });
});
