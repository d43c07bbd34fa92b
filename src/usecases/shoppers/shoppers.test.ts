import { describe, expect, it } from 'vitest';
import { codesInMemory } from '../../../tests/plans/codes-in-memory.ts';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { Outcome } from '../../contracts/index.ts';
import { hasCardCheckDigit } from '../../core/cards/index.ts';
import type { JoinRequest, JoinStore, Letter } from '../ports/index.ts';
import { ofHolder } from '../uses/index.ts';
import {
  addShopper,
  answerJoin,
  askToJoin,
  cardAtTill,
  changeShopper,
  countShoppers,
  findShoppers,
  giveCard,
  giveTerms,
  holderOfCard,
  lookAtShopper,
  proveAddress,
  takeCards,
  takeOutShopper,
  waitingToJoin,
  wipeShopper,
} from './index.ts';

const NOW = new Date('2027-04-14T10:00:00Z');
const CARDS = { prefix: '2750', digits: 13 };
const BLANK = '2750000000016';
const PLAN = {
  ...withPromotions(
    change('for-clinic', { who: { shoppers: ['clinic'] }, uses: { perShopper: 3, every: 'week' } }),
    change('for-all'),
    change('for-members', { who: { groups: ['members'] } }),
    change('over', {
      who: { groups: ['members'] },
      when: { from: '2026-01-01T09:00', to: '2026-02-01T09:00' },
    }),
  ),
  shopperGroups: [
    { id: 'members', name: 'Members', priceList: 'members', cards: CARDS },
    { id: 'staff', name: 'Staff', priceList: 'staff', joining: true as const },
  ],
  shoppers: [{ id: 'clinic', name: 'Harbour Clinic', priceList: 'own' }],
};

function joinsInMemory(): {
  joins: JoinStore;
  letters: { put(letter: object): Promise<void>; newest: never };
  sent: Letter[];
} {
  const all: (JoinRequest & { proof: Uint8Array | null; tries: number; answer: string | null })[] = [];
  const sent: Letter[] = [];
  const put = (id: number, more: object) => Object.assign(all[id - 1]!, more);
  return {
    sent,
    letters: { put: async (letter) => void sent.push(letter as Letter), newest: undefined as never },
    joins: {
      async ask(request, proof, askedAt) {
        all.push({
          ...request,
          id: all.length + 1,
          proof,
          tries: 0,
          askedAt,
          answer: null,
        });
        return all.length;
      },
      asked: async (email, since) => all.filter((one) => one.email === email && one.askedAt > since).length,
      async prove(id, proof, most, notBefore) {
        const one = all[id - 1];
        if (!one?.proof || one.tries >= most || one.askedAt <= notBefore) return false;
        one.tries += 1;
        if (!Buffer.from(one.proof).equals(Buffer.from(proof))) return false;
        put(id, { proof: null });
        return true;
      },
      waiting: async () => all.filter(({ proof, answer }) => proof === null && answer === null),
      request: async (id) => (all[id - 1]?.proof === null ? all[id - 1]! : null),
      async claim(id, answer) {
        if (all[id - 1]!.answer !== null) return false;
        put(id, { answer });
        return true;
      },
      reopen: async (id) => void put(id, { answer: null }),
      settle: async (id) => void put(id, { name: '', email: '', word: '' }),
    },
  };
}

function portsHere() {
  return {
    ...inMemory(PLAN),
    ...codesInMemory(),
    ...joinsInMemory(),
    uses: { counted: async () => new Map() } as never,
  };
}
const ines = person('planner');
function valueIn<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
  return outcome.value;
}
const ANN = { name: 'Ann Ferrow', email: 'ann@letters.example', groups: ['members'], card: null };
const TILL = { id: 'east-1', store: 'east', key: '' } as never;

describe('somebody who shops', () => {
  it('is made known, found by name, number and card, and changed', async () => {
    const ports = portsHere();
    const { id, card } = valueIn(await addShopper(ports, ines, ANN, NOW));
    expect([card!.startsWith('2750'), card!.length, hasCardCheckDigit(card!)]).toEqual([true, 13, true]);
    const found = async (text: string) => valueIn(await findShoppers(ports, ines, text)).found;
    for (const text of ['ferr', id, card!, card!.replace(/(\d{4})/g, '$1 ')])
      expect(await found(text), text).toMatchObject([{ id, name: 'Ann Ferrow', groups: ['Members'] }]);
    expect(await found('harbour')).toMatchObject([{ id: 'clinic', kind: 'account', name: 'Harbour Clinic' }]);
    expect(await found('2750')).toEqual([]);
    await changeShopper(ports, ines, id, { name: null, email: null, groups: ['staff'] }, NOW);
    expect(await found(id)).toMatchObject([{ name: null, groups: ['Staff'] }]);
    expect(valueIn(await countShoppers(ports, ines))).toMatchObject({
      people: 1,
      accounts: [{ id: 'clinic' }],
      kinds: [
        { id: 'members', people: 0, joining: false },
        { id: 'staff', people: 1, joining: true },
      ],
    });
  });

  it('holds a card that nobody else holds, until it is lost', async () => {
    const ports = portsHere();
    const ann = valueIn(await addShopper(ports, ines, { ...ANN, card: BLANK }, NOW));
    expect(ann.card).toBeNull();
    const again = await addShopper(ports, ines, { ...ANN, name: 'Bo', card: BLANK }, NOW);
    expect(again).toMatchObject({ failure: { kind: 'invalid', faults: [{ path: ['card'] }] } });
    const { card } = valueIn(await giveCard(ports, ines, ann.id, null));
    expect((await cardAtTill(ports, TILL, card!, NOW)).shopper).toMatchObject({ id: ann.id });
    await takeCards(ports, ines, ann.id);
    // A blank card of a kind that its number tells is somebody else’s then.
    expect((await cardAtTill(ports, TILL, card!, NOW)).shopper).not.toMatchObject({ id: ann.id });
  });

  it('is of no kind that is not there', async () => {
    const wrong = await addShopper(portsHere(), ines, { ...ANN, groups: ['nobility'] }, NOW);
    expect(wrong).toMatchObject({ failure: { faults: [{ path: ['groups', 0] }] } });
  });

  it('is given terms, by which the plan knows their number alone', async () => {
    const ports = portsHere();
    const { id } = valueIn(await addShopper(ports, ines, ANN, NOW));
    expect(
      await giveTerms(ports, ines, id, { account: 'clinic', priceList: null }, NOW.getTime() as never),
    ).toMatchObject({
      value: { waits: null },
    });
    const plan = (await ports.book.current()).document;
    expect(plan.shoppers).toEqual([...PLAN.shoppers, { id, account: 'clinic' }]);
    const seen = valueIn(await lookAtShopper(ports, ines, id, NOW.getTime()));
    expect(seen).toMatchObject({
      account: { id: 'clinic', name: 'Harbour Clinic' },
      lists: [
        { name: 'Own prices only', from: 'Harbour Clinic' },
        { name: 'Members', from: 'Members' },
      ],
      promotions: [
        { id: 'for-clinic', uses: [{ of: 'receipts', taken: 0, most: 3, every: 'week' }] },
        { id: 'for-members', uses: [] },
      ],
    });
    expect(valueIn(await lookAtShopper(ports, ines, 'clinic', NOW.getTime()))).toMatchObject({
      kind: 'account',
      since: null,
      people: [{ id, name: 'Ann Ferrow' }],
    });
    const wrong = await giveTerms(
      ports,
      ines,
      id,
      { account: 'nowhere', priceList: null },
      NOW.getTime() as never,
    );
    expect(wrong).toMatchObject({ failure: { kind: 'invalid' } });
    expect(
      await giveTerms(ports, ines, 'x', { account: null, priceList: null }, NOW.getTime() as never),
    ).toMatchObject({
      failure: { kind: 'not-found' },
    });
  });

  it('takes out what is kept, and is forgotten', async () => {
    const ports = portsHere();
    const { id, card } = valueIn(await addShopper(ports, ines, ANN, NOW));
    await ports.shoppers.closed({ person: id, terminal: 'east-1', basket: 'basket-1', at: NOW, paid: 1_250 });
    expect(valueIn(await takeOutShopper(ports, ines, id))).toMatchObject({
      name: 'Ann Ferrow',
      email: 'ann@letters.example',
      orders: 1,
      pricedAs: { pastOrders: 1, lifetimeSpend: '12.50' },
      receipts: [{ basket: 'basket-1' }],
    });
    await wipeShopper(ports, ines, id);
    expect(valueIn(await findShoppers(ports, ines, 'Ann')).found).toEqual([]);
    expect(await lookAtShopper(ports, ines, id, NOW.getTime())).toMatchObject({
      failure: { kind: 'not-found' },
    });
    expect(await ports.shoppers.byCard(ports.codeSeal.hashOfCard(card!))).toBeNull();
  });

  it.each([
    ['who only looks', person('viewer')],
    ['a store', person('store', ['east'])],
  ])('is no matter of %s', async (_, who) => {
    const ports = portsHere();
    const { id } = valueIn(await addShopper(ports, ines, ANN, NOW));
    const no = { failure: { kind: 'forbidden' } };
    expect(await findShoppers(ports, who, 'Ann')).toMatchObject(no);
    expect(await countShoppers(ports, who)).toMatchObject(no);
    expect(await lookAtShopper(ports, who, id, NOW.getTime())).toMatchObject(no);
    expect(await addShopper(ports, who, ANN, NOW)).toMatchObject(no);
    expect(await changeShopper(ports, who, id, ANN, NOW)).toMatchObject(no);
    expect(await giveCard(ports, who, id, null)).toMatchObject(no);
    expect(await takeCards(ports, who, id)).toMatchObject(no);
    expect(await giveTerms(ports, who, id, { account: null, priceList: null }, 0 as never)).toMatchObject(no);
    expect(await takeOutShopper(ports, who, id)).toMatchObject(no);
    expect(await wipeShopper(ports, who, id)).toMatchObject(no);
    expect(await waitingToJoin(ports, who, NOW)).toMatchObject(no);
    expect(await answerJoin(ports, who, 1, { answer: 'let-in', word: '' }, NOW)).toMatchObject(no);
  });
});

describe('a card at a till', () => {
  it('makes whoever holds a blank one somebody of its kind, once', async () => {
    const ports = portsHere();
    const first = await cardAtTill(ports, TILL, '2750 0000 0001 6', NOW);
    expect(first).toMatchObject({
      shopper: { groups: ['members'], pastOrders: 0, lifetimeSpend: '0.00' },
      wait: 0,
    });
    expect(await cardAtTill(ports, TILL, BLANK, NOW)).toEqual(first);
    const { id } = first.shopper!;
    expect(await holderOfCard(ports, BLANK, NOW)).toEqual({ id, countsAs: id });
    await giveTerms(ports, ines, id, { account: 'clinic', priceList: null }, NOW.getTime() as never);
    expect(await holderOfCard(ports, BLANK, NOW)).toEqual({ id, countsAs: 'clinic' });
  });

  it('that is mistyped or of no kind is nobody’s, and too many of them are not looked at', async () => {
    const ports = portsHere();
    const wrong = { shopper: null, wait: 0 };
    for (const card of ['2750000000017', '4000000000000002', 'ABCDEF'])
      expect(await cardAtTill(ports, TILL, card, NOW)).toEqual(wrong);
    for (let i = 0; i < 17; i++) await cardAtTill(ports, TILL, `999${i}`, NOW);
    const braked = await cardAtTill(ports, TILL, BLANK, NOW);
    expect([braked.shopper, braked.wait > 0]).toEqual([null, true]);
  });

  it('that a till took while it was cut off is said of whoever holds it', () => {
    const at = NOW;
    const key = `p@card:${BLANK}`;
    const uses = [
      { key: 'p', promotion: 'p', most: 9 },
      { key, promotion: 'p', most: 1 },
    ];
    const closed = { uses, at, shopper: { id: `card:${BLANK}`, paid: 500 } };
    expect(ofHolder(closed, { id: '10001', countsAs: 'clinic' })).toEqual({
      at,
      shopper: { id: '10001', paid: 500 },
      uses: [uses[0], { ...uses[1], key: 'p@clinic' }],
    });
    expect(ofHolder(closed, null)).toEqual({ at, uses: [uses[0]] });
    const known = { uses, at, shopper: { id: '10001', paid: 500 } };
    expect(ofHolder(known, null)).toBe(known);
  });
});

describe('somebody who asks to be let in', () => {
  const asked = { group: 'staff', name: 'Cy Dunmere', email: 'cy@letters.example', word: 'I work here.' };
  const codeIn = ({ text }: Letter) => /^\d{6}$/m.exec(text)![0];

  it('proves the address, is seen, let in with a card, and written to', async () => {
    const ports = portsHere();
    const { id } = valueIn(await askToJoin(ports, asked, NOW));
    expect(valueIn(await waitingToJoin(ports, ines, NOW))).toEqual([]);
    const proof = { email: asked.email, code: codeIn(ports.sent[0]!) };
    expect((await proveAddress(ports, id, proof, NOW)).ok).toBe(true);
    expect(valueIn(await waitingToJoin(ports, ines, NOW))).toMatchObject([
      { id, name: 'Cy Dunmere', group: { name: 'Staff' } },
    ]);
    const { person: number } = valueIn(
      await answerJoin(ports, ines, id, { answer: 'let-in', word: 'Welcome!' }, NOW),
    );
    const card = /\d{16}/.exec(ports.sent[1]!.text)![0];
    expect(ports.sent[1]!.text).toMatch(/Welcome!$/);
    expect((await cardAtTill(ports, TILL, card, NOW)).shopper).toMatchObject({
      id: number,
      groups: ['staff'],
    });
    const twice = await answerJoin(ports, ines, id, { answer: 'refused', word: '' }, NOW);
    expect(twice).toMatchObject({ failure: { kind: 'invalid', faults: [{ path: ['answer'] }] } });
  });

  it('is the one whom the address is of already, of one kind more', async () => {
    const ports = portsHere();
    const ann = valueIn(await addShopper(ports, ines, ANN, NOW));
    const { id } = valueIn(await askToJoin(ports, { ...asked, email: 'ANN@letters.example' }, NOW));
    await proveAddress(ports, id, { email: 'ann@letters.example', code: codeIn(ports.sent[0]!) }, NOW);
    const letIn = await answerJoin(ports, ines, id, { answer: 'let-in', word: '' }, NOW);
    expect(valueIn(letIn).person).toBe(ann.id);
    expect(await ports.shoppers.person(ann.id)).toMatchObject({
      ...{ name: 'Ann Ferrow', groups: ['members', 'staff'], cards: [expect.any(String)] },
    });
    expect(ports.sent[1]!.text).toMatch(/The card that you have goes on\./);
  });

  it('waits as before where nobody can be made of them', async () => {
    const ports = portsHere();
    const { id } = valueIn(await askToJoin(ports, asked, NOW));
    await proveAddress(ports, id, { email: asked.email, code: codeIn(ports.sent[0]!) }, NOW);
    const full = { ...ports, shoppers: { ...ports.shoppers, add: async () => false } };
    const answer = { answer: 'let-in', word: '' } as const;
    expect(await answerJoin(full, ines, id, answer, NOW)).toMatchObject({
      failure: { faults: [{ path: ['card'] }] },
    });
    expect(valueIn(await waitingToJoin(ports, ines, NOW))).toHaveLength(1);
    expect((await answerJoin(ports, ines, id, answer, NOW)).ok).toBe(true);
  });

  it('is not let in, and nothing is made of them', async () => {
    const ports = portsHere();
    const { id } = valueIn(await askToJoin(ports, asked, NOW));
    await proveAddress(ports, id, { email: asked.email, code: codeIn(ports.sent[0]!) }, NOW);
    expect(
      valueIn(await answerJoin(ports, ines, id, { answer: 'refused', word: 'Not now.' }, NOW)).person,
    ).toBeNull();
    expect([ports.sent.length, ports.shoppers.deeds]).toEqual([2, []]);
  });

  it('has five tries and two hours for the code, at the address that asked', async () => {
    const ports = portsHere();
    const { id } = valueIn(await askToJoin(ports, asked, NOW));
    const code = codeIn(ports.sent[0]!);
    const prove = async (said: object, at = NOW) =>
      (await proveAddress(ports, id, { email: asked.email, code, ...said }, at)).ok;
    expect(await prove({ email: 'other@letters.example' })).toBe(false);
    expect(await prove({}, new Date(NOW.getTime() + 3 * 3_600_000))).toBe(false);
    for (let i = 0; i < 4; i++) expect(await prove({ code: '000000x' })).toBe(false);
    expect(await prove({})).toBe(false);
  });

  it.each([
    ['a kind that nobody is let in to', { group: 'members' }, 'group'],
    ['a kind that is not there', { group: 'nobility' }, 'group'],
  ])('is refused %s', async (_, said, field) => {
    expect(await askToJoin(portsHere(), { ...asked, ...said }, NOW)).toMatchObject({
      failure: { faults: [{ path: [field] }] },
    });
  });

  it('is sent three letters a day and no more', async () => {
    const ports = portsHere();
    for (let i = 0; i < 3; i++) expect((await askToJoin(ports, asked, NOW)).ok).toBe(true);
    expect(await askToJoin(ports, asked, NOW)).toMatchObject({ failure: { faults: [{ path: ['email'] }] } });
    expect(ports.sent).toHaveLength(3);
  });
});
