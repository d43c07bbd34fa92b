import { inArray } from 'drizzle-orm';
import { afterAll, beforeAll, expect, test } from 'vitest';
import {
  type Database,
  joinRepository,
  loadPlan,
  planRepository,
  schema,
  shopperRepository,
  stockroomRepository,
  usesRepository,
} from '../../src/db/index.ts';
import { codeSeal } from '../../src/signing/index.ts';
import { SMALL } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
afterAll(() => drop());

const NOW = new Date('2027-04-14T10:00:00Z');
const HOUR = 3_600_000;
const seal = codeSeal('a secret of tests, long enough to be one');
const card = (number: string) => ({ hash: seal.hashOfCard(number), lastDigits: number.slice(-4) });
let cards = 0;
/** Somebody with a card of their own. */
async function known(name: string | null, groups: string[] = ['members']) {
  const people = shopperRepository(db);
  const id = (await people.newNumbers(1))[0]!;
  const number = `29900000${String(++cards).padStart(4, '0')}`;
  const email = name && `${name.toLowerCase().replaceAll(' ', '.')}@letters.example`;
  expect(await people.add(id, { name, email, groups }, [card(number)], 'ines', NOW)).toBe(true);
  return { id, number, person: (await people.person(id))! };
}

test('somebody is kept with groups and cards, and found by any part of a name as it is written', async () => {
  const people = shopperRepository(db);
  const { id, number } = await known('Per_cent Ferrow');
  await known('Perxcent Fenner', []);
  expect(await people.byCard(seal.hashOfCard(number))).toMatchObject({
    ...{ id, groups: ['members'], cards: [number.slice(-4)], orders: 0, spent: 0 },
  });
  const names = async (text: string, most = 10) => (await people.named(text, most)).map(({ name }) => name);
  expect(await names('r_c')).toEqual(['Per_cent Ferrow']);
  expect(await names('PER')).toEqual(['Per_cent Ferrow', 'Perxcent Fenner']);
  expect(await names('per', 1)).toHaveLength(1);
  expect(await names('%')).toEqual([]);
  expect(await people.ofEmail('PER_CENT.ferrow@letters.example')).toMatchObject([{ id }]);
  expect(await people.ofEmail('nobody@letters.example')).toEqual([]);
});

test('a card is one person’s: nothing is kept of who is added with another’s', async () => {
  const people = shopperRepository(db);
  const { number } = await known('Ann Ferrow');
  const id = (await people.newNumbers(1))[0]!;
  const bo = { name: 'Bo Fenner', email: null, groups: [] };
  expect(await people.add(id, bo, [card('299111111111'), card(number)], 'ines', NOW)).toBe(false);
  expect(await people.person(id)).toBeNull();
  expect(await people.byCard(seal.hashOfCard('299111111111'))).toBeNull();
});

test('of two tills that register a blank card at once one does', async () => {
  const people = shopperRepository(db);
  const blank = card('299222222222');
  const nobody = { name: null, email: null, groups: ['members'] };
  const ids = await people.newNumbers(8);
  const added = await Promise.all(ids.map((id) => people.add(id, nobody, [blank], null, NOW)));
  expect(added.filter(Boolean)).toHaveLength(1);
  const { id } = (await people.byCard(blank.hash))!;
  expect(await people.people(ids)).toMatchObject([{ id }]);
});

test('people of a file are all made known or none, with who was of which kind in the trail', async () => {
  const people = shopperRepository(db);
  const { id, number } = await known('Gwen Marlow');
  const [fresh, other] = (await people.newNumbers(2)) as [string, string];
  const details = (name: string, groups: string[]) => ({ name, email: null, groups });
  const file = (cardOfOther: string) => [
    { id, details: details('Gwen M.', []), card: null },
    { id: fresh, details: details('Hal Orrin', ['members']), card: card('299555555555') },
    { id: other, details: details('Ivo Tarn', ['members']), card: card(cardOfOther) },
  ];
  expect(await people.bringIn(file(number), 'ines', NOW)).toBe(false);
  expect(await people.people([id, fresh, other])).toMatchObject([
    { name: 'Gwen Marlow', groups: ['members'] },
  ]);
  expect(await people.bringIn(file('299666666666'), 'ines', NOW)).toBe(true);
  expect(await people.people([id, fresh, other])).toMatchObject([
    { name: 'Gwen M.', groups: [], cards: [number.slice(-4)] },
    { name: 'Hal Orrin', groups: ['members'], cards: ['5555'] },
    { name: 'Ivo Tarn', groups: ['members'] },
  ]);
  const told = await db
    .select()
    .from(schema.auditEntry)
    .where(inArray(schema.auditEntry.subject, [id, fresh]))
    .orderBy(schema.auditEntry.id);
  expect(told.slice(-2)).toMatchObject([
    {
      subject: id,
      action: 'changed',
      person: 'ines',
      before: { groups: ['members'] },
      after: { groups: [] },
    },
    { subject: fresh, action: 'added', before: null, after: { groups: ['members'], cards: 1 } },
  ]);
  expect(JSON.stringify(told)).not.toContain('Hal');
});

test('many are read and looked for at once, and each once', async () => {
  const people = shopperRepository(db);
  const ids = await people.newNumbers(2_500);
  const file = ids.map((id, i) => ({
    id,
    details: { name: `Member ${i}`, email: `many.${i}@letters.example`, groups: ['members'] },
    card: card(`MANY${id}`),
  }));
  expect(await people.bringIn(file, 'ines', NOW)).toBe(true);
  const told = await db
    .select()
    .from(schema.auditEntry)
    .where(inArray(schema.auditEntry.subject, ['*', ids[0]!]));
  expect(told).toMatchObject([
    { action: 'brought in as a file', person: 'ines', after: { added: 2_500, changed: 0 } },
  ]);
  const held = await people.holders(ids.map((id) => card(`MANY${id}`).hash));
  expect(new Set(held.values())).toEqual(new Set(ids));
  expect(
    (await people.withEmails(['MANY.7@letters.example', 'nobody@x.example'])).get('many.7@letters.example'),
  ).toEqual([ids[7]]);
  const all: string[] = [];
  for (let after = ''; ; ) {
    const some = await people.all(after, 1_000);
    all.push(...some.map(({ id }) => id));
    if (some.length < 1_000) break;
    after = some.at(-1)!.id;
  }
  expect(new Set(all).size).toBe(all.length);
  expect(all).toEqual(expect.arrayContaining(ids));
});

test('a closed receipt counts once, however often and at whatever server it is told', async () => {
  const people = shopperRepository(db);
  const { id } = await known('Cy Dunmere');
  const order = { person: id, terminal: 'east-1', basket: 'basket-1', at: NOW, paid: 1_250 };
  await Promise.all(Array.from({ length: 6 }, () => people.closed(order)));
  await people.closed({ ...order, basket: 'basket-2', at: new Date(NOW.getTime() + HOUR), paid: 50 });
  await people.closed({ ...order, person: 'nobody', basket: 'basket-3' });
  expect(await people.person(id)).toMatchObject({ orders: 2, spent: 1_300 });
  expect((await people.orders(id, 5)).map(({ basket }) => basket)).toEqual(['basket-2', 'basket-1']);
});

test('who is of which kind outlives a whole plan that comes in', async () => {
  const { id } = await known('Dee Garnley');
  await planRepository(db).replace(SMALL, 'basil');
  expect((await shopperRepository(db).person(id))!.groups).toEqual(['members']);
});

test('terms of their own stand in the plan, accounts before those who belong to them', async () => {
  const version = await planVersionNow();
  const firm = { id: 'clinic', name: 'Harbour Clinic', groups: ['members'], priceList: 'own' };
  const change = { table: 'shoppers', puts: [{ id: 'ann', account: 'clinic' }, firm], drops: [] } as const;
  const by = { person: 'ines', action: 'changed', standing: [] };
  expect(await stockroomRepository(db).change(change, version, by)).toMatchObject({ kind: 'saved' });
  const kept = async () => (await loadPlan(db))!.document.shoppers;
  expect(await kept()).toEqual(expect.arrayContaining([firm, { id: 'ann', account: 'clinic' }]));
  const gone = { ...change, puts: [], drops: ['clinic', 'ann'] };
  expect(await stockroomRepository(db).change(gone, version + 1, by)).toMatchObject({ kind: 'saved' });
  expect((await kept())!.map(({ id }) => id)).toEqual(['m-1']);
});

test('of who is forgotten nothing is left: name, cards, receipts, letters, uses; others keep theirs', async () => {
  const people = shopperRepository(db);
  const [gone, stays] = [await known('Edda Calder'), await known('Fenno Calder')];
  const use = (id: string) => ({ key: `p@${id}`, promotion: 'p', most: 3, span: '2027-04-12' });
  for (const { id } of [gone, stays]) {
    await usesRepository(db).take({ terminal: 'east-1', store: 'east', basket: `b-${id}` }, [use(id)], NOW);
    await people.closed({ person: id, terminal: 'east-1', basket: `b-${id}`, at: NOW, paid: 100 });
  }
  for (const to of [gone, stays].map(({ person }) => person.email!))
    await db.insert(schema.letter).values({ to, subject: 'Hello', text: 'Hello' });
  await people.wipe(gone.person, 'ines');
  expect(await people.person(gone.id)).toBeNull();
  expect(await people.byCard(seal.hashOfCard(gone.number))).toBeNull();
  expect(await people.orders(gone.id, 5)).toEqual([]);
  const counted = await usesRepository(db).counted([use(gone.id), use(stays.id)], NOW);
  expect([...counted.values()].map(({ taken }) => taken)).toEqual([0, 1]);
  const letters = await db.select().from(schema.letter);
  expect(letters.map(({ to }) => to)).toEqual([stays.person.email]);
  expect((await people.person(stays.id))!.orders).toBe(1);
  // The trail tells of numbers, and of nobody’s name.
  const trail = JSON.stringify(await db.select().from(schema.auditEntry));
  expect(trail).not.toMatch(/Edda|Calder|letters\.example/);
});

test('a request is seen once its address is proved, and is answered once', async () => {
  const joins = joinRepository(db);
  const proof = seal.hashOf('gil 123456');
  const asked = { group: 'members', name: 'Gil Roe', email: 'gil@letters.example', word: 'Please.' };
  const before = new Date(NOW.getTime() - HOUR);
  const id = await joins.ask(asked, proof, NOW);
  expect([
    await joins.waiting(NOW),
    await joins.request(id),
    await joins.asked('GIL@letters.example', before),
  ]).toEqual([[], null, 1]);
  expect(await joins.prove(id, seal.hashOf('gil 654321'), 2, before)).toBe(false);
  expect(await joins.prove(id, proof, 2, new Date(NOW.getTime() + HOUR))).toBe(false);
  expect(await joins.prove(id, proof, 2, before)).toBe(true);
  expect(await joins.waiting(NOW)).toMatchObject([{ id, name: 'Gil Roe', word: 'Please.' }]);
  const claim = (at = NOW) => joins.claim(id, 'refused', 'ines', at);
  const answers = await Promise.all([1, 2, 3].map(() => claim()));
  expect(answers.filter(Boolean)).toHaveLength(1);
  await joins.reopen(id);
  expect([await claim(), await claim()]).toEqual([true, false]);
  // A server died under who answered: a minute later they wait again.
  const later = new Date(NOW.getTime() + 2 * 60_000);
  expect([(await joins.waiting(NOW)).length, (await joins.waiting(later)).length]).toEqual([0, 1]);
  expect(await claim(later)).toBe(true);
  await joins.settle(id, null);
  expect(await joins.request(id)).toMatchObject({ answer: 'refused', name: '', email: '', word: '' });
  expect([await claim(new Date(NOW.getTime() + HOUR)), await joins.waiting(later)]).toEqual([false, []]);
  // Two wrong codes were tried: the third is not looked at, though it is right. A day later nothing is left of it.
  const late = await joins.ask({ ...asked, name: 'Hanno Pell' }, proof, NOW);
  for (let i = 0; i < 2; i++) await joins.prove(late, seal.hashOf('wrong'), 2, before);
  expect(await joins.prove(late, proof, 2, before)).toBe(false);
  await joins.ask(asked, proof, new Date(NOW.getTime() + 25 * HOUR));
  expect(await db.select().from(schema.joinRequest)).toHaveLength(2);
});

async function planVersionNow(): Promise<number> {
  return (await loadPlan(db))!.version;
}
