import type Papa from 'papaparse';

/**
 * Cells as spreadsheets put them on the clipboard: tabs between, quoted where a text has a tab, a quote or a line end.
 * What is copied must be said at once, and what reads it is only loaded when somebody pastes: so this much is written here.
 */
export const toClipboard = (rows: readonly (readonly string[])[]): string =>
  rows.map((cells) => cells.map(quoted).join('\t')).join('\n');

const quoted = (text: string): string => (/[\t"\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);

let reader: typeof Papa | null = null;

/** What reads the clipboard, loaded once somebody is in a sheet: pasting must not fall behind the keys pressed after it. */
export async function nearClipboard(): Promise<void> {
  reader ??= (await import('papaparse')).default;
}

/** @returns null: what reads it is not loaded yet. */
export function fromClipboard(text: string): string[][] | null {
  if (reader === null) return null;
  const { data } = reader.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
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
