import Papa from 'papaparse';
import writeExcelFile from 'write-excel-file/node';
import type { CellKind, Cells } from '../../contracts/table/index.ts';
import { guardFormula } from './formula-guard.ts';

export const FILE_KINDS = ['csv', 'xlsx', 'json'] as const;
export type FileKind = (typeof FILE_KINDS)[number];

export interface FileColumn {
  readonly field: string;
  readonly title: string;
  readonly kind: CellKind;
}

const TYPES: Readonly<Record<FileKind, string>> = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  json: 'application/json; charset=utf-8',
};

/** Rows as a file that comes back in without a question: heads are the fields themselves in JSON, titles elsewhere. */
export async function fileReply(
  name: string,
  kind: FileKind,
  columns: readonly FileColumn[],
  rows: readonly Cells[],
): Promise<Response> {
  const body =
    kind === 'json'
      ? jsonOf(columns, rows)
      : kind === 'csv'
        ? csvOf(columns, rows)
        : await sheetOf(columns, rows);
  return new Response(body as BodyInit, {
    headers: {
      'content-type': TYPES[kind],
      'content-disposition': `attachment; filename="${name}.${kind}"`,
      'cache-control': 'no-store',
    },
  });
}

function jsonOf(columns: readonly FileColumn[], rows: readonly Cells[]): string {
  const only = (row: Cells) =>
    Object.fromEntries(
      columns.flatMap(({ field }) => ((row[field] ?? '') === '' ? [] : [[field, row[field]!]])),
    );
  return JSON.stringify(rows.map(only), null, 1);
}

/** With a mark, so that spreadsheets read it as UTF-8. What begins like a formula is kept from being one. */
function csvOf(columns: readonly FileColumn[], rows: readonly Cells[]): string {
  const lines = rows.map((row) => columns.map(({ field }) => guardFormula(row[field] ?? '')));
  const fields = columns.map(({ title }) => guardFormula(title));
  return `\ufeff${Papa.unparse({ fields, data: lines }, { newline: '\r\n' })}`;
}

function sheetOf(columns: readonly FileColumn[], rows: readonly Cells[]): Promise<Uint8Array> {
  const heads = columns.map(({ title }) => ({ value: title, fontWeight: 'bold' as const }));
  const cell = (text: string, kind: CellKind) => {
    if (text === '') return null;
    // Figures as numbers a spreadsheet can add up; everything else as text, so that a barcode stays whole.
    const figure = kind === 'amount' || kind === 'percent' ? Number(text) : Number.NaN;
    return Number.isFinite(figure) ? { value: figure, format: '0.00' } : { value: text, type: String };
  };
  const lines = rows.map((row) => columns.map(({ field, kind }) => cell(row[field] ?? '', kind)));
  return writeExcelFile([heads, ...lines] as never).toBuffer() as Promise<Uint8Array>;
}
