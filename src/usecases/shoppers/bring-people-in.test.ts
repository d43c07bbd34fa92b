import { beforeEach, describe, expect, it } from 'vitest';
import { codesInMemory } from '../../../tests/plans/codes-in-memory.ts';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { shoppersInMemory } from '../../../tests/plans/shoppers-in-memory.ts';
import { withPromotions } from '../../../tests/plans/small-plan.ts';
import type { BringInView, Matching, Outcome } from '../../contracts/index.ts';
import { bringPeopleIn } from './bring-people-in.ts';
import { addShopper } from './keep-shopper.ts';
import { peopleAsRows } from './people-as-rows.ts';

const NOW = new Date('2027-04-14T10:00:00Z');
const ines = person('planner');
const PLAN = {
  ...withPromotions(),
  shopperGroups: [
    { id: 'members', name: 'Members', cards: { prefix: '2750', digits: 13 } },
    { id: 'staff', name: 'Staff' },
  ],
  shoppers: [
    { id: 'clinic', name: 'Harbour Clinic' },
    { id: '20001', account: 'clinic' },
  ],
};

let ports: ReturnType<typeof portsHere>;
function portsHere() {
  return { ...inMemory(PLAN as never), ...codesInMemory(), shoppers: shoppersInMemory() };
}
beforeEach(() => {
  ports = portsHere();
});
function valueIn<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
  return outcome.value;
}
/** A file as it is read: heads, and a row for each text with bars between its cells. */
async function bring(
  heads: string,
  rows: string[],
  { dry = false, matching = null }: { dry?: boolean; matching?: Matching | null } = {},
): Promise<BringInView> {
  const file = {
    heads: heads.split('|'),
    rows: rows.map((row) => row.split('|')),
    lines: rows.map((_, i) => i + 2),
    ...{ matching, dry },
  };
  return valueIn(await bringPeopleIn(ports, ines, file, NOW));
}
const everybody = async () =>
  valueIn(await peopleAsRows(ports, ines)).map(({ id, name, email, groups }) =>
    [id, name, email, groups].join('|'),
  );
const ann = () =>
  addShopper(
    ports,
    ines,
    { name: 'Ann', email: 'Ann@letters.example', groups: ['staff'], card: 'A299111' },
    NOW,
  );

describe('people out of a file', () => {
  it('are made known, each under a number of their own, and come back as they went out', async () => {
    const told = await bring('Name|E-mail|Kinds of shopper|Card', [
      'Bo Fenner|bo@letters.example|Members; staff|2750 0000 0001 6',
      'Cy Dunmere|cy@letters.example||',
      '||members|A299222',
    ]);
    expect(told).toMatchObject({ added: 3, changed: 0, same: 0, refused: 0, done: true });
    const out = await everybody();
    expect(out.map((row) => row.replace(/^\d+/, ''))).toEqual(
      expect.arrayContaining([
        '|Bo Fenner|bo@letters.example|Members; Staff',
        '|Cy Dunmere|cy@letters.example|',
        '|||Members',
      ]),
    );
    expect(ports.shoppers.deeds).toContain('taken out as a file');
    const again = await bring('Number|Name|E-mail|Kinds of shopper', out);
    expect(again).toMatchObject({ added: 0, changed: 0, same: 3, refused: 0 });
  });

  it('are found again by number, card and e-mail, and only what the file says is changed', async () => {
    const { id } = valueIn(await ann());
    expect(await bring('Number|Name', [`${id}|Anna`])).toMatchObject({ changed: 1, added: 0 });
    expect(await everybody()).toEqual([`${id}|Anna|Ann@letters.example|Staff`]);
    expect(await bring('Card|Kinds', ['A29 9111|Members'])).toMatchObject({
      changed: 1,
      cells: [{ line: 2, label: 'Anna', column: 'Kinds of shopper', before: 'Staff', after: 'Members' }],
    });
    expect(await bring('E-mail|Name', ['ann@LETTERS.example|'])).toMatchObject({
      changed: 1,
      columns: [
        { column: 'Name', changed: 1, emptied: 1 },
        { column: 'E-mail', changed: 1, emptied: 0 },
      ],
    });
    expect(await bring('Number|Card', [`${id}|A299333`])).toMatchObject({
      cells: [{ column: 'Card', before: '', after: 'one more, …9333' }],
    });
    expect((await ports.shoppers.person(id))!.cards).toHaveLength(2);
  });

  it('of a number that only the plan knows are made known under it', async () => {
    await bring('Number|Name', ['20001|Dee Garnley']);
    expect(await everybody()).toEqual(['20001|Dee Garnley||']);
  });

  it('change nothing while it is only looked at, nor where one of them is refused', async () => {
    expect(await bring('Name|E-mail', ['Bo|bo@letters.example'], { dry: true })).toMatchObject({
      added: 1,
      done: false,
    });
    expect(await bring('Name|E-mail', ['Bo|bo@letters.example', 'Cy|no address'])).toMatchObject({
      ...{ added: 1, refused: 1, done: false },
      faults: [
        { line: 3, column: 'E-mail', message: expect.stringContaining('"no address" is no e-mail address') },
      ],
    });
    expect(await everybody()).toEqual([]);
  });

  it('are said of no column where the file has none that says who it is', async () => {
    expect(await bring('Name|Remarks', ['Bo|nice'])).toMatchObject({
      ...{ done: false, added: 0, faults: [] },
      against: [expect.stringContaining('No column of the file says who it is')],
    });
    expect(await bring('Name|Which', ['Bo|bo@x.example'], { matching: { Which: 'email' } })).toMatchObject({
      added: 1,
      done: true,
    });
  });

  it.each([
    ['Number', '77|', 'Number', 'nobody has the number "77"'],
    ['Number', 'clinic', 'Number', '"clinic" is the number of an account'],
    ['E-mail|Kinds', 'bo@x.example|Members; Friends', 'Kinds', 'no kind of shopper is called "Friends"'],
    [
      'E-mail|Card',
      'bo@x.example|2750000000017',
      'Card',
      'the last digit does not fit the others; wanted: the number as it stands on the card',
    ],
    ['E-mail|Card', 'bo@x.example|12', 'Card', 'at least six digits'],
    ['Name|E-mail', 'Bo|', '', 'nothing says who this is'],
    ['Number|Card', '20001|A299111', 'Card', 'the card is that of number'],
  ])('with the heads %s and the row %s are refused', async (heads, row, column, message) => {
    await ann();
    const told = await bring(heads, [row]);
    expect(told).toMatchObject({ refused: 1, done: false, faults: [{ line: 2, column }] });
    expect(told.faults[0]!.message).toContain(message);
  });

  it('who stand there twice are refused, by the line that is of them as well', async () => {
    const { id } = valueIn(await ann());
    const told = await bring('Number|E-mail|Card', [
      `${id}|ann@letters.example|`,
      '|ANN@letters.example|',
      '|bo@letters.example|A299444',
      '|cy@letters.example|A299444',
    ]);
    expect(told.faults.map(({ line, moreLines }) => [line, moreLines])).toEqual([[3, [5]]]);
    expect(told.faults[0]!.message).toContain('line 2');
  });

  it('whose address several have are not guessed at', async () => {
    await ann();
    await addShopper(ports, ines, { name: 'Al', email: 'ann@letters.example', groups: [], card: null }, NOW);
    const told = await bring('E-mail', ['ann@letters.example']);
    expect(told.faults[0]!.message).toContain('the address of 2 people');
  });

  it('are neither brought in nor taken out by whoever may not see them', async () => {
    const file = { heads: ['E-mail'], rows: [['bo@x.example']], lines: [2], matching: null, dry: true };
    for (const other of [person('viewer'), { ...ines, stores: ['east'] }]) {
      expect(await bringPeopleIn(ports, other, file, NOW)).toMatchObject({ failure: { kind: 'forbidden' } });
      expect(await peopleAsRows(ports, other)).toMatchObject({ failure: { kind: 'forbidden' } });
    }
  });
});
