/** Lengths are in millimetres. */
export interface Paper {
  readonly name: string;
  /** How somebody who prints finds it. */
  readonly title: string;
  readonly page: { readonly width: number; readonly height: number };
  readonly columns: number;
  readonly rows: number;
  /** What is left free within each tag: printers reach no edge, and scissors miss. */
  readonly inset: number;
}

const A4 = { width: 210, height: 297 };

/** Sheets without gaps, to be cut; labels one after another, as rolls feed them; and posters. */
export const PAPERS = [
  { name: 'a4-24', title: 'A4, 24 tags of 70 × 37 mm', page: A4, columns: 3, rows: 8, inset: 3.5 },
  { name: 'a4-15', title: 'A4, 15 tags of 70 × 59 mm', page: A4, columns: 3, rows: 5, inset: 4 },
  { name: 'a4-8', title: 'A4, 8 tags of 105 × 74 mm', page: A4, columns: 2, rows: 4, inset: 5 },
  { name: 'a4-4', title: 'A4, 4 tags of 105 × 148 mm', page: A4, columns: 2, rows: 2, inset: 7 },
  {
    ...{ name: 'roll-57x32', title: 'Roll of labels, 57 × 32 mm' },
    ...{ page: { width: 57, height: 32 }, columns: 1, rows: 1, inset: 1.5 },
  },
  {
    ...{ name: 'roll-80x50', title: 'Roll of labels, 80 × 50 mm' },
    ...{ page: { width: 80, height: 50 }, columns: 1, rows: 1, inset: 2 },
  },
  { name: 'poster-a4', title: 'Poster, A4', page: A4, columns: 1, rows: 1, inset: 14 },
  {
    ...{ name: 'poster-a3', title: 'Poster, A3' },
    ...{ page: { width: 297, height: 420 }, columns: 1, rows: 1, inset: 20 },
  },
] as const satisfies readonly Paper[];

export type PaperName = (typeof PAPERS)[number]['name'];
export const DEFAULT_PAPER: PaperName = 'a4-24';

export const paperOf = (name: string): Paper | undefined => PAPERS.find((paper) => paper.name === name);

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export const tagsOnPage = ({ columns, rows }: Paper): number => columns * rows;

/** Where the tag of a number on its page goes: row by row. */
export function placeOf({ page, columns, rows }: Paper, number: number): Box {
  const [width, height] = [page.width / columns, page.height / rows];
  return { x: (number % columns) * width, y: Math.floor(number / columns) * height, width, height };
}
