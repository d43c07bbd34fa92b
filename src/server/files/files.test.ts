import { describe, expect, it } from 'vitest';
import { decodeText } from './decode-text.ts';
import { readRows } from './read-rows.ts';
import { FILE_KINDS, fileReply } from './write-rows.ts';

const bytes = (text: string) => new TextEncoder().encode(text);
const read = async (content: Uint8Array | string) => {
  const outcome = await readRows(typeof content === 'string' ? bytes(content) : content);
  if (!outcome.ok)
    return outcome.failure.kind === 'invalid' ? outcome.failure.faults[0]!.what : outcome.failure;
  const { heads, rows, lines, kind } = outcome.value;
  return { heads, rows, lines, kind };
};

describe('the text of a file', () => {
  it.each<[string, number[], string]>([
    ['utf-8', [0x43, 0x72, 0xc3, 0xa9, 0x6d, 0x65], 'Créme'],
    ['utf-8', [0xef, 0xbb, 0xbf, 0x43, 0x72, 0xc3, 0xa9, 0x6d, 0x65], 'Créme'],
    ['windows-1252', [0x43, 0x72, 0xe9, 0x6d, 0x65, 0x20, 0x80], 'Créme €'],
    ['utf-16le', [0xff, 0xfe, 0x43, 0x00, 0xe9, 0x00], 'Cé'],
    ['utf-16be', [0xfe, 0xff, 0x00, 0x43, 0x00, 0xe9], 'Cé'],
  ])('in %s %j is %s', (encoding, content, text) => {
    expect(decodeText(Uint8Array.from(content))).toEqual({ text, encoding });
  });
});

describe('rows out of a file', () => {
  it.each([
    ['semicolons', 'sku;name\na;"A; ""b"""\n'],
    ['commas', 'sku,name\r\na,"A; ""b"""\r\n'],
    ['tabs', 'sku\tname\na\t"A; ""b"""'],
  ])('with %s between', async (_, text) => {
    expect(await read(text)).toEqual({
      heads: ['sku', 'name'],
      rows: [['a', 'A; "b"']],
      lines: [2],
      kind: 'csv',
    });
  });

  it('counts lines as a person does, past those with nothing in them', async () => {
    expect(await read('\n sku ;name\n;\na;A\n\nb;B\n')).toMatchObject({
      heads: ['sku', 'name'],
      rows: [
        ['a', 'A'],
        ['b', 'B'],
      ],
      lines: [4, 6],
    });
  });

  it('out of JSON: lists with semicolons, objects as pairs', async () => {
    const list = [
      { sku: 'a', tags: ['x', 'y'], cost: 1.5 },
      { sku: 'b', attributes: { size: '50', spf: 30 } },
    ];
    expect(await read(JSON.stringify(list))).toMatchObject({
      heads: ['sku', 'tags', 'cost', 'attributes'],
      rows: [
        ['a', 'x; y', '1.5', ''],
        ['b', '', '', 'size: 50; spf: 30'],
      ],
      kind: 'json',
    });
  });

  it.each([
    ['', 'the file is empty'],
    ['  \n \n', 'nothing stands in it'],
    ['sku;name\n', 'only heads stand in it'],
    ['sku;sku\na;b\n', 'two columns are called "sku"'],
    ['sku;name\na;"open\n', 'a quotation mark is not closed, in line 2'],
    ['[1, 2]', 'it is no list of objects'],
    ['{"rows": 1}', 'it is no list of objects'],
    ['[]', 'no row stands in it'],
  ])('%j is refused: %s', async (text, what) => {
    expect(await read(text)).toBe(what);
  });

  it('says that a broken spreadsheet is none, and broken JSON none', async () => {
    expect(await read(Uint8Array.from([0x50, 0x4b, 3, 4, 9, 9]))).toMatch(
      /^it cannot be read as a spreadsheet/,
    );
    expect(await read('[{')).toMatch(/^it is no JSON/);
  });
});

describe('a file of rows', () => {
  const columns = [
    { field: 'sku', title: 'Item number', kind: 'text' },
    { field: 'gtin', title: 'Barcode', kind: 'text' },
    { field: 'cost', title: 'Cost', kind: 'amount' },
    { field: 'since', title: 'From', kind: 'date' },
  ] as const;
  const rows = [
    { sku: '00123', gtin: '2000000000329', cost: '7.50', since: '2027-03-01' },
    { sku: 'créme, "x"', gtin: '', cost: '', since: '' },
  ];

  it.each(FILE_KINDS)('as %s comes back in as it went out', async (kind) => {
    const reply = await fileReply('items', kind, columns, rows);
    expect(reply.headers.get('content-disposition')).toBe(`attachment; filename="items.${kind}"`);
    const back = (await read(new Uint8Array(await reply.arrayBuffer()))) as unknown as {
      heads: string[];
      rows: string[][];
    };
    const heads = columns.map(({ title, field }) => (kind === 'json' ? field : title));
    expect(back.heads).toEqual(heads);
    const texts = back.rows.map((row) => heads.map((_, i) => row[i] ?? ''));
    expect(texts).toEqual([
      ['00123', '2000000000329', kind === 'xlsx' ? '7.5' : '7.50', '2027-03-01'],
      ['créme, "x"', '', '', ''],
    ]);
  });

  it('keeps what begins like a formula from being one', async () => {
    const reply = await fileReply('x', 'csv', [columns[0]], [{ sku: '=1+1' }]);
    expect(await reply.text()).toContain("'=1+1");
  });
});
