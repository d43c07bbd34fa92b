import { Refused, refusalIn, saveFile } from '../server/index.ts';
import type { SheetColumn, SheetRow } from '../sheet/index.ts';
import type { FileLine, LineAtFault } from './files-desk.ts';

/** The lines of a file, or those of them that are at fault. */
export async function linesIn(
  file: File,
): Promise<{ lines: readonly FileLine[]; refused: readonly LineAtFault[] }> {
  const reply = await fetch('/api/files/sheet-lines', {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: file,
  });
  const answer = await reply.json();
  if (reply.ok) return answer;
  throw new Refused(refusalIn(reply.status, answer));
}

const MONEY: readonly string[] = ['regular', 'basis', 'now', 'price', 'cost'];
const PERCENTS: readonly string[] = ['change', 'margin', 'breakEven'];

/** Has rows written into a file, which the browser saves. */
export async function writeFile({
  name,
  kind,
  columns,
  rows,
}: {
  name: string;
  kind: string;
  columns: readonly SheetColumn[];
  rows: readonly SheetRow[];
}): Promise<void> {
  const body = {
    name,
    kind,
    columns: columns.map(({ field, title }) => ({ field, title, kind: kindOfField(field) })),
    rows: rows.map(({ cells }) => figuresOf(cells)),
  };
  const reply = await fetch('/api/files/write', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!reply.ok) throw new Refused({ status: reply.status, message: 'It could not be written.', faults: [] });
  saveFile(await reply.blob(), `${name}.${kind}`);
}

function kindOfField(field: string): 'amount' | 'percent' | 'text' {
  if (MONEY.includes(field)) return 'amount';
  return PERCENTS.includes(field) ? 'percent' : 'text';
}

/** Percentages and factors without their marks: a spreadsheet counts with them. */
const figuresOf = (cells: SheetRow['cells']): Record<string, string> =>
  Object.fromEntries(
    Object.entries(cells).map(([field, text]) => [
      field,
      PERCENTS.includes(field) ? text.replace(/[×%+\s]/g, '') : text,
    ]),
  );
