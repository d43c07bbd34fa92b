import Papa from 'papaparse';

/** Cells as spreadsheets put them on the clipboard: tabs between, quoted where a text has a tab, a quote or a line end. */
export const toClipboard = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(rows as string[][], { delimiter: '\t', newline: '\n' });

export function fromClipboard(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
  return data.length === 0 ? [['']] : data;
}
