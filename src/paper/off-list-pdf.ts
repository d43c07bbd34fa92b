import { type Pen, pen, type Setting, wrapped } from './pen.ts';

/** A tag that must come off, as a line of the list. */
export interface OffLine {
  readonly shelf: string | null;
  readonly sku: string;
  readonly name: string;
  /** What it says. */
  readonly said: string;
  readonly why: string;
}

const PAGE = { width: 210, height: 297 };
const MARGIN = 15;
const ROW = 8.5;
const FIRST_ROW = 32;
const LAST = PAGE.height - MARGIN;
const COLUMNS = { box: MARGIN, shelf: 22, name: 44, said: 130, end: PAGE.width - MARGIN };

/** A list for who walks along the shelves, with a box to tick for each tag that must come off. */
export async function offListPdf(list: {
  readonly title: string;
  readonly day: string;
  readonly lines: readonly OffLine[];
}): Promise<Buffer> {
  const on = pen(list.title, list.day);
  const perPage = Math.floor((LAST - FIRST_ROW) / ROW);
  const pages = Math.max(1, Math.ceil(list.lines.length / perPage));
  for (let page = 0; page < pages; page++) {
    on.page(PAGE);
    head(on, list.title, `${page + 1} of ${pages}`);
    const lines = list.lines.slice(page * perPage, (page + 1) * perPage);
    if (lines.length === 0)
      on.write('Nothing must come off the shelf.', MARGIN, FIRST_ROW + 6, { face: 'text', size: 4 });
    lines.forEach((line, i) => {
      row(on, FIRST_ROW + i * ROW, line);
    });
  }
  return on.end();
}

function head(on: Pen, title: string, page: string): void {
  on.write(title, MARGIN, MARGIN + 6, { face: 'strong', size: 5.5 });
  on.write(page, COLUMNS.end, MARGIN + 6, { face: 'text', size: 3.2, align: 'right' });
  const small: Setting = { face: 'text', size: 3 };
  on.write('Shelf', COLUMNS.shelf, FIRST_ROW - 2, small);
  on.write('Item', COLUMNS.name, FIRST_ROW - 2, small);
  on.write('The tag says', COLUMNS.said, FIRST_ROW - 2, small);
  on.line([MARGIN, FIRST_ROW], [COLUMNS.end, FIRST_ROW], 0.3);
}

function row(on: Pen, top: number, { shelf, sku, name, said, why }: OffLine): void {
  const text: Setting = { face: 'text', size: 3.2 };
  const small: Setting = { face: 'text', size: 2.5 };
  const put = (words: string, from: number, to: number, y: number, setting: Setting) =>
    on.write(wrapped(on, words, to - from - 2, setting, 1)[0] ?? '', from, y, setting);
  const [x, y, size] = [COLUMNS.box, top + 2.2, 4];
  on.outline(
    [
      [x, y],
      [x + size, y],
      [x + size, y + size],
      [x, y + size],
    ],
    [x, y, 0],
    0.25,
  );
  put(shelf ?? '–', COLUMNS.shelf, COLUMNS.name, top + 4.2, text);
  put(name, COLUMNS.name, COLUMNS.said, top + 4.2, text);
  put(sku, COLUMNS.name, COLUMNS.said, top + 7.4, small);
  put(said, COLUMNS.said, COLUMNS.end, top + 4.2, text);
  put(why, COLUMNS.said, COLUMNS.end, top + 7.4, small);
  on.line([MARGIN, top + ROW], [COLUMNS.end, top + ROW], 0.1);
}
