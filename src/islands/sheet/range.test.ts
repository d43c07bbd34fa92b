import { describe, expect, it } from 'vitest';
import { fromClipboard, nearClipboard, toClipboard, withoutHead } from './clipboard.ts';
import { type Block, boundsOf, isWithin, moved, onlyCell, spread } from './range.ts';

const SIZE = { rows: 10, columns: 4 };
const at = (row: number, column: number) => ({ row, column });
const none = { shift: false, control: false };

describe('moving over the cells', () => {
  it.each<[string, { shift?: boolean; control?: boolean }, [number, number]]>([
    ['ArrowDown', {}, [5, 1]],
    ['ArrowUp', {}, [3, 1]],
    ['ArrowLeft', {}, [4, 0]],
    ['ArrowRight', { control: true }, [4, 3]],
    ['ArrowDown', { control: true }, [9, 1]],
    ['Home', {}, [4, 0]],
    ['End', { control: true }, [9, 3]],
    ['Home', { control: true }, [0, 0]],
    ['PageDown', {}, [9, 1]],
    ['PageUp', {}, [0, 1]],
  ])('%s with %j goes to %j', (key, held, [row, column]) => {
    expect(moved(onlyCell(at(4, 1)), key, { ...none, ...held }, SIZE, 7)).toEqual(onlyCell(at(row, column)));
  });

  it('stays within the sheet, and leaves other keys alone', () => {
    expect(moved(onlyCell(at(0, 0)), 'ArrowUp', none, SIZE, 5)).toEqual(onlyCell(at(0, 0)));
    expect(moved(onlyCell(at(0, 0)), 'a', none, SIZE, 5)).toBeNull();
  });

  it('stretches a block with Shift, back over its anchor too', () => {
    const block: Block = { anchor: at(2, 1), active: at(3, 2) };
    const next = moved(block, 'ArrowLeft', { shift: true, control: true }, SIZE, 5)!;
    expect(next).toEqual({ anchor: at(2, 1), active: at(3, 0) });
    expect(boundsOf(next)).toEqual({ top: 2, bottom: 3, left: 0, right: 1 });
    expect([isWithin(at(2, 0), boundsOf(next)), isWithin(at(2, 2), boundsOf(next))]).toEqual([true, false]);
  });
});

describe('pasting', () => {
  const block: Block = { anchor: at(1, 1), active: at(4, 1) };
  const told = (texts: string[][], into: Block) =>
    spread(texts, into, SIZE).map(({ cell, text }) => `${cell.row},${cell.column}=${text}`);

  it('one text fills the block', () => {
    expect(told([['x']], block)).toEqual(['1,1=x', '2,1=x', '3,1=x', '4,1=x']);
  });
  it('a pattern is repeated over a multiple of it', () => {
    expect(told([['x'], ['y']], block)).toEqual(['1,1=x', '2,1=y', '3,1=x', '4,1=y']);
  });
  it('anything else goes once from the corner, and no further than the sheet', () => {
    expect(told([['x', 'y', 'z'], ['u']], { anchor: at(9, 2), active: at(9, 2) })).toEqual([
      '9,2=x',
      '9,3=y',
    ]);
  });
});

describe('the clipboard', () => {
  it.each([
    [
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    [[['tab\there', 'line\nend', 'a "quote"']]],
    [[['']]],
  ])('%j comes back as it went', async (rows) => {
    await nearClipboard();
    expect(fromClipboard(toClipboard(rows))).toEqual(rows);
  });
  it('takes what a spreadsheet ends with a line', async () => {
    await nearClipboard();
    expect(fromClipboard('1\t2\r\n3\t4\r\n')).toEqual([
      ['1', '2'],
      ['3', '4'],
    ]);
  });
});

describe('the heads above pasted lines', () => {
  const columns = [{ editable: false }, { figure: true, editable: true }];
  it.each<[string, string[][], string[][]]>([
    [
      'are known as such',
      [
        ['Item', 'New'],
        ['a', '1,20'],
        ['b', '3'],
      ],
      [
        ['a', '1,20'],
        ['b', '3'],
      ],
    ],
    ['are a line where they stand alone', [['Item', 'New']], [['Item', 'New']]],
    [
      'are a line where others have words too',
      [
        ['Item', 'New'],
        ['a', 'soon'],
      ],
      [
        ['Item', 'New'],
        ['a', 'soon'],
      ],
    ],
    [
      'are none where figures stand at once',
      [
        ['a', '1'],
        ['b', '2'],
      ],
      [
        ['a', '1'],
        ['b', '2'],
      ],
    ],
  ])('%s', (_, lines, wanted) => {
    expect(withoutHead(lines, columns)).toEqual(wanted);
  });
});
