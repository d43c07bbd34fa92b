import { describe, expect, it } from 'vitest';
import { peopleInMemory, stored } from '../../../tests/plans/people.ts';
import { inMemory, person, quietSending } from '../../../tests/plans/ports.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import type { BeginChainRequest, FirstAdministratorRequest } from '../../contracts/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import { newFirstCode } from '../../signing/index.ts';
import type { BeginningStore, PlanWriter } from '../ports/index.ts';
import { beginChain, makeFirstAdministrator, whatIsMissing } from './index.ts';

const CODE = newFirstCode();
const ASKED: FirstAdministratorRequest = {
  ...{ code: CODE.text, name: 'Basil Orme', email: 'Basil@quillmere.example', password: 'a long enough one' },
};

function installation(...first: Parameters<typeof peopleInMemory>) {
  const { all, ports } = peopleInMemory(...first);
  let code: string | null = CODE.hash;
  const beginning: BeginningStore = {
    needsAdministrator: async () =>
      ![...all.values()].some(({ role, endedAt }) => role === 'administrator' && endedAt === null),
    setCode: async (hash) => {
      code = hash;
    },
    takeCode: async (hash) => {
      const is = hash === code;
      if (is) code = null;
      return is;
    },
  };
  return { all, code: () => code, ports: { ...ports, beginning } };
}

describe('the first administrator', () => {
  it('is whoever holds the code, however it is typed, once', async () => {
    const { all, ports, code } = installation();
    const typed = { ...ASKED, code: ` ${CODE.text.toLowerCase().replaceAll('-', ' ')}` };
    expect(await makeFirstAdministrator(ports, typed, false)).toMatchObject({
      value: { email: 'basil@quillmere.example' },
    });
    expect([...all.values()]).toMatchObject([{ name: 'Basil Orme', role: 'administrator', costs: true }]);
    expect(code()).toBe(null);
    const other = { ...ASKED, email: 'other@quillmere.example' };
    expect(await makeFirstAdministrator(ports, other, false)).toMatchObject({
      failure: { kind: 'forbidden' },
    });
    expect(all.size).toBe(1);
  });

  it.each([
    ['without the code', { code: newFirstCode().text }, 'code'],
    ['with an address that somebody has', { email: 'P@quillmere.example' }, 'email'],
  ])('is nobody %s, and the code stays good', async (_, more, path) => {
    const { all, ports, code } = installation(stored('p'));
    expect(await makeFirstAdministrator(ports, { ...ASKED, ...more }, false)).toMatchObject({
      failure: { kind: 'invalid', faults: [{ path: [path] }] },
    });
    expect([all.size, code()]).toEqual([1, CODE.hash]);
  });

  it('can be made again where it did not come to an end', async () => {
    const { ports, code } = installation();
    const away = {
      ...ports,
      accounts: { ...ports.accounts, create: () => Promise.reject(new Error('away')) },
    };
    await expect(makeFirstAdministrator(away, ASKED, false)).rejects.toThrow('away');
    expect(code()).toBe(CODE.hash);
    expect(await makeFirstAdministrator(ports, ASKED, false)).toMatchObject({ ok: true });
  });
});

describe('a chain', () => {
  const BEGUN: BeginChainRequest = {
    currency: 'eur',
    store: { id: 's1', name: 'First', timeZone: 'Europe/Madrid' },
  };
  const writer = (begun: boolean) => {
    const written: PlanDocument[] = [];
    const port: PlanWriter = {
      begin: async (document) => {
        if (!begun) written.push(document);
        return !begun;
      },
      replace: async () => true,
    };
    return { written, port };
  };

  it('is begun with its currency and a store, where there is none', async () => {
    const { written, port } = writer(false);
    const { rules } = inMemory(SMALL, { another: true, stockroom: true });
    expect(await beginChain({ writer: port, rules }, person('administrator'), BEGUN)).toMatchObject({
      ok: true,
    });
    // There is nobody yet to approve the first regular prices.
    expect(await rules.current()).toMatchObject({ another: true, stockroom: false });
    expect(written).toMatchObject([{ currency: 'EUR', stores: [BEGUN.store], items: [], promotions: [] }]);
    expect(
      await beginChain({ writer: writer(true).port, rules }, person('administrator'), BEGUN),
    ).toMatchObject({
      failure: { kind: 'conflict', code: 'chain-begun' },
    });
  });

  it.each<[string, 'planner' | 'administrator', Partial<BeginChainRequest>, object]>([
    ['by who does not look after it', 'planner', {}, { kind: 'forbidden' }],
    ['in a currency that is none', 'administrator', { currency: 'E1R' }, { kind: 'invalid' }],
    [
      'in a store whose clock is none',
      'administrator',
      { store: { ...BEGUN.store, timeZone: 'Nowhere/Else' } },
      { kind: 'invalid' },
    ],
  ])('is not begun %s', async (_, role, more, failure) => {
    const { written, port } = writer(false);
    const { rules } = inMemory(SMALL);
    const outcome = await beginChain({ writer: port, rules }, person(role), { ...BEGUN, ...more });
    expect(outcome).toMatchObject({ failure });
    expect(written).toEqual([]);
  });
});

describe('what is missing before the first price can be sent', () => {
  const looked = async (
    document: PlanDocument,
    {
      who = person('administrator'),
      others = [stored('a', { role: 'administrator' })],
      keys = [false],
      sent = false,
      another = true,
    } = {},
  ) => {
    const { book, rules } = inMemory(document, { another, stockroom: true });
    const terminal = (hasKey: boolean) => ({ hasKey }) as never;
    const sending = {
      ...quietSending(),
      terminals: async () => keys.map(terminal),
      newestRollout: async () => (sent ? 1 : null),
    };
    const { people } = peopleInMemory(...others).ports;
    const steps = await whatIsMissing({ people, sending, rules }, await book.current(), who);
    return steps === null
      ? null
      : steps.filter(({ done, optional }) => !done && !optional).map(({ step }) => step);
  };
  const BARE: PlanDocument = {
    ...{ format: 'bell-tag-plan', version: 1, currency: 'EUR', stores: SMALL.stores.slice(0, 1) },
    ...{ zones: SMALL.zones, nodes: [], items: [], promotions: [] },
  };

  it('is told step by step to who looks after it, and to nobody else', async () => {
    expect(await looked(BARE, { keys: [] })).toEqual([
      'groups',
      'goods',
      'people',
      'terminals',
      'keys',
      'sent',
    ]);
    expect(await looked(BARE, { who: person('planner') })).toBe(null);
    expect(await looked(SMALL)).toEqual(['people', 'keys', 'sent']);
    const two = [stored('a', { role: 'administrator' }), stored('p')];
    expect(await looked(SMALL, { others: two, keys: [false, true] })).toEqual(['sent']);
    const gone = [two[0]!, stored('p', { endedAt: '2027-01-01T00:00:00Z' }), stored('v', { role: 'viewer' })];
    expect(await looked(SMALL, { others: gone, keys: [true] })).toEqual(['people', 'sent']);
  });

  it('lacks no zones where it has none', async () => {
    const { zones: _, ...bare } = BARE;
    expect(
      await looked({ ...bare, stores: [{ ...bare.stores[0]!, zone: undefined }] } as never),
    ).not.toContain('zones');
  });

  it('is nothing for a chain at work, whatever it has not', async () => {
    expect(await looked(SMALL, { keys: [true], sent: true })).toBe(null);
  });
});
