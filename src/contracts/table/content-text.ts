import type { ItemDocument } from '../../core/plan/index.ts';
import type { CellReader } from './cell-reader.ts';

type Content = NonNullable<ItemDocument['content']>;

/** What packs say, and how many of the plan's units that is. */
const UNITS: Readonly<Record<string, readonly [Content['unit'], number]>> = {
  kg: ['kg', 0],
  g: ['kg', 3],
  mg: ['kg', 6],
  l: ['l', 0],
  cl: ['l', 2],
  ml: ['l', 3],
  m: ['m', 0],
  cm: ['m', 2],
  piece: ['piece', 0],
  pieces: ['piece', 0],
  pcs: ['piece', 0],
};
const WANTED = 'an amount and its unit, such as 0.25 l, 500 g or 20 piece';

/** "0.25 l"; nothing where it is not known. */
export const contentText = (content: Content | undefined): string =>
  content ? `${content.amount} ${content.unit}` : '';

/** Reads what is in one item, in whichever unit its pack says it. */
export function contentOf(cells: CellReader): Content | undefined {
  const text = cells.text('content');
  if (text === undefined) return undefined;
  const match = /^(\d{1,6})(?:[.,](\d{1,6}))?\s*([a-z]+)$/i.exec(text);
  const unit = match && UNITS[match[3]!.toLowerCase()];
  const amount = unit ? moved(match[1]!, match[2] ?? '', unit[1]) : null;
  if (!unit || amount === null) {
    cells.fault('content', `"${text}" is no content`, WANTED);
    return undefined;
  }
  return { amount, unit: unit[0] };
}

/** Moves the decimal mark to the left by digits, not by numbers; null where nothing or too little is left. */
function moved(whole: string, decimals: string, places: number): string | null {
  const digits = whole.padStart(places + 1, '0') + decimals;
  const mark = digits.length - decimals.length - places;
  const after = digits.slice(mark).replace(/0+$/, '');
  const before = digits.slice(0, mark).replace(/^0+(?=\d)/, '');
  if (after.length > 6 || (after === '' && /^0*$/.test(before))) return null;
  return after === '' ? before : `${before}.${after}`;
}
