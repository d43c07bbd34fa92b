import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { FILE_LIMITS } from './file-limits.ts';
import { guardFormula, unguardFormula } from './formula-guard.ts';
import { readRows } from './read-rows.ts';
import { sheetSizeFault } from './sheet-size.ts';
import { fileReply } from './write-rows.ts';

const sheet = (rows: string, more: Record<string, Uint8Array> = {}) =>
  zipSync({
    '[Content_Types].xml': strToU8('<Types/>'),
    'xl/worksheets/sheet1.xml': strToU8(`<worksheet><sheetData>${rows}</sheetData></worksheet>`),
    ...more,
  });
const cell = (reference: string) => `<c r="${reference}" t="inlineStr"><is><t>x</t></is></c>`;

describe('a spreadsheet', () => {
  it('of an ordinary size is opened', () => {
    expect(sheetSizeFault(sheet(`<row r="1">${cell('A1')}${cell('AB1')}</row>`))).toBeNull();
  });
  it.each<[string, Uint8Array, RegExp]>([
    ['with a cell at its far corner', sheet(`<row r="1048576">${cell('XFD1048576')}</row>`), /row 1048576/],
    ['with a cell far to the right', sheet(`<row r="1">${cell('XFD1')}</row>`), /column XFD/],
    ['whose row says that it is far down', sheet('<row r="900000"></row>'), /row 900000/],
    ['that quotes in another way', sheet("<row r='900000'></row>"), /row 900000/],
    [
      'that unpacks to more than there is memory',
      sheet('', { 'xl/sharedStrings.xml': new Uint8Array(FILE_LIMITS.unpacked + 1) }),
      /unpacks to more/,
    ],
    [
      'of thousands of parts',
      sheet('', Object.fromEntries(Array.from({ length: 1_100 }, (_, i) => [`p${i}`, new Uint8Array(1)]))),
      /parts/,
    ],
  ])('%s is not', async (_, bytes, why) => {
    expect(sheetSizeFault(bytes)).toMatch(why);
    expect((await readRows(bytes)).ok).toBe(false);
  });
  it('finds a reference that falls between two pieces', () => {
    // Stored, not packed, so that pieces are cut where they are.
    const filler = '<x/>'.repeat(16_380);
    const bytes = zipSync(
      { 'xl/worksheets/sheet1.xml': strToU8(`${filler}<row r="999999"/>`) },
      { level: 0 },
    );
    expect(sheetSizeFault(bytes)).toMatch(/row 999999/);
  });
});

describe('a file', () => {
  const faultOf = async (text: string) => {
    const read = await readRows(new TextEncoder().encode(text));
    return read.ok || read.failure.kind !== 'invalid' ? null : read.failure.faults[0]!.what;
  };
  it.each<[string, string, RegExp]>([
    [
      'with too many columns',
      `${Array.from({ length: 401 }, (_, i) => `c${i}`).join(';')}\n1\n`,
      /401 columns/,
    ],
    ['with too many rows', `sku;name\n${'a;b\n'.repeat(FILE_LIMITS.rows + 1)}`, /more than 250000 rows/],
    [
      'with a cell of endless length',
      `sku;name\na;${'x'.repeat(FILE_LIMITS.cell + 1)}\n`,
      /endless length, in line 2/,
    ],
    ['with a NUL', 'sku;name\na;b\0\n', /NUL character stands in the text, in line 2/],
    ['of JSON nested without end', `[{"a":${'['.repeat(50_000)}${']'.repeat(50_000)}}]`, /nested too deeply/],
    [
      'of objects that share no key',
      JSON.stringify(Array.from({ length: 500 }, (_, i) => ({ [`k${i}`]: 1 }))),
      /columns/,
    ],
  ])('%s is refused', async (_, text, why) => {
    expect(await faultOf(text)).toMatch(why);
  });
});

describe('a name that looks like a formula', () => {
  const NAMES = [
    '=1+1',
    '+1+cmd',
    '-2+3',
    '@SUM(A1)',
    '\t=1',
    "'=1",
    "'quoted",
    '＝1',
    '-5.00',
    '+49',
    'plain',
    "it's",
    '',
  ];
  it.each(NAMES)('%j comes back as it was', (name) => {
    expect(unguardFormula(guardFormula(name))).toBe(name);
  });
  it.each(['=1+1', '+1+cmd', '-2+3', '@SUM(A1)', '\t=1', '＝1', '\n=1'])('%j is none in a file', (name) => {
    expect(guardFormula(name)).toBe(`'${name}`);
  });
  it.each(['-5.00', '+49', '12', 'plain'])('%j stays as it is', (name) => {
    expect(guardFormula(name)).toBe(name);
  });
  it('goes out and comes in through a file of either kind', async () => {
    const columns = [{ field: 'name', title: '=Name', kind: 'text' }] as const;
    const rows = NAMES.filter((name) => name.trim() !== '').map((name) => ({ name }));
    const reply = await fileReply('x', 'csv', columns, rows);
    const back = await readRows(new Uint8Array(await reply.arrayBuffer()));
    expect(back.ok && [back.value.heads[0], ...back.value.rows.map(([name]) => name)]).toEqual([
      '=Name',
      ...rows.map(({ name }) => name),
    ]);
  });
});
