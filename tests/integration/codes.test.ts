import { afterAll, beforeAll, expect, test } from 'vitest';
import { codeRepository, connect, type Database } from '../../src/db/index.ts';
import { codeSeal } from '../../src/signing/index.ts';
import type { CodeBatch, FreshCode } from '../../src/usecases/ports/index.ts';
import { freshDatabase } from './fresh-database.ts';

let db: Database;
let url: string;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, url, drop } = await freshDatabase());
});
afterAll(() => drop());

const NOW = new Date('2027-04-14T10:00:00Z');
const MINUTE = 60_000;
const seal = codeSeal('a secret of these tests, and of no other');
const DEED = { person: 'ines', action: 'codes asked for' };
const PATTERN = { length: 8, of: 'both', prefix: '', suffix: '', dashEvery: null } as const;
const begin = (promotion: string, wanted: number) =>
  codeRepository(db).begin(
    { promotion, pattern: PATTERN, wanted, fromDay: null, toDay: '2027-05-01', test: false },
    NOW,
    DEED,
  );

/** Codes by number, so that a test knows which come about. */
const numbered =
  (from: number) =>
  ({ made }: CodeBatch, count: number): FreshCode[] =>
    Array.from({ length: count }, (_, i) => `code ${from + made + i}`).map((code) => ({
      code,
      hash: seal.hashOf(code),
    }));

test('two servers make one batch together, each code once, and the list has them all', async () => {
  const id = await begin('together', 1_000);
  const other = connect(url, 4);
  const desks = [codeRepository(db), codeRepository(other.db)];
  const fillAll = async (desk: (typeof desks)[number]) => {
    while ((await desk.batch(id))!.made < 1_000) await desk.fill(70, numbered(0), seal.seal);
  };
  await Promise.all(desks.map(fillAll));
  await other.pool.end();
  const batch = (await desks[0]!.batch(id))!;
  expect([batch.made, batch.toDay, batch.listed]).toEqual([1_000, '2027-05-01', true]);
  const parts = await desks[0]!.list(batch, 'ines');
  const codes = parts.flatMap((part) => seal.open(part).split('\n'));
  expect(codes.toSorted()).toEqual(Array.from({ length: 1_000 }, (_, i) => `code ${i}`).toSorted());
  expect(await desks[0]!.fill(70, numbered(0), seal.seal)).toBe(false);
});

test('a code that another batch has already is no code of this one', async () => {
  const first = await begin('taken', 10);
  while (await codeRepository(db).fill(100, numbered(5_000), seal.seal));
  const second = await begin('new', 10);
  // Half of those that it draws first are taken.
  let drawn = 0;
  const drawing = (_: CodeBatch, count: number) => {
    const codes = Array.from({ length: count }, (_, i) => `code ${5_005 + drawn + i}`);
    drawn += count;
    return codes.map((code) => ({ code, hash: seal.hashOf(code) }));
  };
  while (await codeRepository(db).fill(100, drawing, seal.seal));
  const known = await codeRepository(db).known([seal.hashOf('CODE-5007'), seal.hashOf('code 5012')]);
  expect([...known.values()].map(({ batch }) => batch.id).toSorted()).toEqual([first, second].toSorted());
  const batch = (await codeRepository(db).batch(second))!;
  const [codes] = await codeRepository(db).list(batch, 'ines');
  expect([batch.made, seal.open(codes!).split('\n').length]).toEqual([10, 5]);
});

test('a batch of which no further code is to be had ends with those that it has', async () => {
  const id = await begin('scarce', 3);
  const desk = codeRepository(db);
  // Two codes in all, and one of them is another batch's.
  await begin('rich', 1);
  const of = (code: string) => [{ code, hash: seal.hashOf(code) }];
  let rounds = 0;
  while (
    await desk.fill(
      9,
      (batch) => {
        rounds += 1;
        return batch.promotion === 'rich' ? of('scarce 1') : [...of('scarce 1'), ...of('scarce 2')];
      },
      seal.seal,
    )
  );
  expect(rounds).toBeGreaterThan(2);
  const { made, wanted } = (await desk.batch(id))!;
  expect(made).toBe(wanted);
  expect(made).toBeLessThan(3);
});

test('more codes at once than are free are no codes at all', async () => {
  expect(await tryAt('till:heap', 0, 21)).toBe(MINUTE);
  expect(await tryAt('till:heap', 0, 20)).toBe(0);
});

test('what lies in the database tells no code', async () => {
  await begin('secret', 1);
  const code = 'PLAIN-TEXT-CODE';
  while (await codeRepository(db).fill(9, () => [{ code, hash: seal.hashOf(code) }], seal.seal));
  const { rows } = await db.execute<{ dump: string }>(
    'select (select string_agg(l::text, $$ $$) from code_list l) || (select string_agg(b::text, $$ $$) from batch_code b) as dump',
  );
  const hex = Buffer.from(code).toString('hex');
  for (const text of [code, hex]) expect(rows[0]!.dump.toUpperCase()).not.toContain(text.toUpperCase());
  // Under another secret it is known no more, and its list cannot be read.
  const other = codeSeal('another secret, of another installation');
  expect((await codeRepository(db).known([other.hashOf(code)])).size).toBe(0);
  const batch = (await codeRepository(db).batches('secret'))[0]!;
  const [part] = await codeRepository(db).list(batch, 'ines');
  expect(() => other.open(part!)).toThrow();
  expect(seal.open(part!)).toBe(code);
});

test('a batch tells how far it is, who took its list, and what was withdrawn', async () => {
  const desk = codeRepository(db);
  const id = await begin('told', 5);
  while (await desk.fill(9, numbered(9_000), seal.seal));
  const batch = (await desk.batch(id))!;
  await desk.list(batch, 'nobody that is known');
  await desk.withdrawOne(seal.hashOf('code 9003'), batch, { person: 'ines', action: 'one code withdrawn' });
  const told = (await desk.batches('told'))[0]!;
  expect(told).toMatchObject({ id, made: 5, used: 0, withdrawn: 1, taken: [{ by: null }] });
  expect((await desk.known([seal.hashOf('code 9003')])).values().next().value).toMatchObject({
    withdrawn: true,
  });
  await desk.throwListAway(told, { person: null, action: 'list of codes thrown away' });
  expect([await desk.list(told, 'ines'), (await desk.batch(id))!.listed]).toEqual([[], false]);
  await desk.withdraw(told, NOW, { person: 'ines', action: 'codes withdrawn' });
  expect((await desk.batch(id))!.withdrawnAt).toEqual(NOW);
});

const BRAKE = { free: 20, each: MINUTE };
const tryAt = (who: string, minutes: number, wrong = 1) =>
  codeRepository(db).countTries(who, wrong, BRAKE, new Date(NOW.getTime() + minutes * MINUTE));

test('of a hundred wrong codes at once so many are let through as are free', async () => {
  const waits = await Promise.all(Array.from({ length: 100 }, () => tryAt('till:many', 0)));
  expect(waits.filter((wait) => wait === 0)).toHaveLength(20);
  expect(Math.max(...waits)).toBe(MINUTE);
  // Those that were not looked at were tried as well.
  expect(await codeRepository(db).triedMuch(99, NOW)).toEqual([{ who: 'till:many', wrong: 100 }]);
});

test('one more is free each minute, and no more than there were at first', async () => {
  await tryAt('till:slow', 0, 20);
  expect(await tryAt('till:slow', 0.5)).toBe(MINUTE / 2);
  expect(await tryAt('till:slow', 1)).toBe(0);
  expect(await tryAt('till:slow', 1)).toBe(MINUTE);
  // A day later as many as at first, not 1,440.
  expect(await tryAt('till:slow', 1_441, 20)).toBe(0);
  expect(await tryAt('till:slow', 1_441)).toBe(MINUTE);
});

test('what was right is given back, and a place that tried much is told', async () => {
  const desk = codeRepository(db);
  await tryAt('till:fair', 0, 20);
  await desk.right('till:fair', 20, BRAKE);
  expect(await tryAt('till:fair', 0)).toBe(0);
  await tryAt('till:bad', 0, 19);
  expect(await desk.triedMuch(18, NOW)).toContainEqual({ who: 'till:bad', wrong: 19 });
  expect((await desk.triedMuch(18, NOW)).map(({ who }) => who)).not.toContain('till:fair');
  const tomorrow = new Date(NOW.getTime() + 1_441 * MINUTE);
  expect((await desk.triedMuch(18, tomorrow)).map(({ who }) => who)).not.toContain('till:bad');
});
