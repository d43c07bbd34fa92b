import Papa from 'papaparse';

/** Cells as spreadsheets put them on the clipboard: tabs between, quoted where a text has a tab, a quote or a line end. */
export const toClipboard = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(rows as string[][], { delimiter: '\t', newline: '\n' });

export function fromClipboard(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
  return data.length === 0 ? [['']] : data;
}

/** Pasted lines without the heads that a spreadsheet writes above them: no digit where every other line has figures. */
export function withoutHead(
  lines: readonly (readonly string[])[],
  columns: readonly { readonly figure?: boolean; readonly editable: boolean }[],
): readonly (readonly string[])[] {
  const [first, ...rest] = lines;
  const figures = columns.flatMap(({ figure, editable }, at) => (figure && editable ? [at] : []));
  const isFigure = (line: readonly string[], at: number) => /\d/.test(line[at] ?? '');
  const isHead =
    first !== undefined &&
    rest.length > 0 &&
    figures.some(
      (at) => (first[at] ?? '') !== '' && !isFigure(first, at) && rest.every((line) => isFigure(line, at)),
    );
  return isHead ? rest : lines;
}
