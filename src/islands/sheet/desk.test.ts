import { describe, expect, it } from 'vitest';
import { keyIntent, type PressedKey, SHEET_DESK, sheetAfter } from './desk.ts';
import { boundsOf, cellsIn } from './range.ts';

const SIZE = { rows: 100, columns: 5 };
const block = { anchor: { row: 2, column: 1 }, active: { row: 4, column: 2 } };
const pressed = (key: string, more: Partial<PressedKey> = {}): PressedKey => ({
  key,
  shift: false,
  control: false,
  alt: false,
  ...more,
});
const CONTROL = { control: true };
const SHIFTED = { control: true, shift: true };

describe('a key on a sheet', () => {
  it.each([
    ['types over the active cell', pressed('7'), { type: 'type', text: '7' }],
    ['goes on with what stands there', pressed('Enter'), { type: 'type', text: null }],
    ['goes on with what stands there', pressed('F2'), { type: 'type', text: null }],
    ['empties the block', pressed('Delete'), { type: 'erase' }],
    ['empties the block', pressed('Backspace'), { type: 'erase' }],
    ['takes back', pressed('z', CONTROL), { type: 'undo' }],
    ['does it after all', pressed('Z', SHIFTED), { type: 'redo' }],
    ['does it after all', pressed('y', CONTROL), { type: 'redo' }],
    ['fills the block from its first row', pressed('d', CONTROL), { type: 'fill-down' }],
    [
      'chooses all',
      pressed('a', CONTROL),
      { type: 'choose-all', block: { anchor: { row: 0, column: 0 }, active: { row: 99, column: 4 } } },
    ],
    ['is nobody’s', pressed('s', CONTROL), null],
    ['is nobody’s', pressed('7', { alt: true }), null],
    ['is nobody’s', pressed('Shift'), null],
  ] as const)('%s: %j', (_, key, wanted) => {
    expect(keyIntent(block, key, SIZE, 10)).toEqual(wanted);
  });
  it('moves the block, or stretches it with shift', () => {
    const to = { row: 5, column: 2 };
    expect(keyIntent(block, pressed('ArrowDown'), SIZE, 10)).toEqual({
      type: 'go',
      block: { anchor: to, active: to },
    });
    expect(keyIntent(block, pressed('ArrowDown', { shift: true }), SIZE, 10)).toEqual({
      type: 'go',
      block: { anchor: block.anchor, active: to },
    });
  });
});

describe('a sheet', () => {
  it('keeps what is chosen while a cell is typed into', () => {
    const desk = [
      { type: 'chosen', block } as const,
      { type: 'typing-began', text: '7' } as const,
      { type: 'stretched', to: { row: 0, column: 0 } } as const,
    ].reduce(sheetAfter, SHEET_DESK);
    expect(desk).toEqual({ block: { anchor: block.anchor, active: { row: 0, column: 0 } }, typed: '7' });
    expect(sheetAfter(desk, { type: 'typing-ended' }).typed).toBeNull();
  });
  it('knows the cells of a block, row by row', () => {
    expect(cellsIn(boundsOf({ anchor: { row: 3, column: 2 }, active: { row: 2, column: 1 } }))).toEqual([
      { row: 2, column: 1 },
      { row: 2, column: 2 },
      { row: 3, column: 1 },
      { row: 3, column: 2 },
    ]);
  });
});
