import { type TableName, tableOf } from '../../contracts/table/index.ts';
import { asTyped, dayAsTyped } from './as-typed.ts';
import { dateWords } from './moment.ts';
import { saidAmount } from './numbers.ts';

const kindOf = (table: TableName, field: string) =>
  tableOf(table).columns.find((column) => column.field === field)?.kind;

/** A cell of the stockroom with amounts and days as the reader writes them. */
export function saidCell(table: TableName, field: string, text: string): string {
  const kind = kindOf(table, field);
  if (kind === 'date') return dateWords(text);
  return kind === 'amount' || field === 'price' ? saidAmount(text) : text;
}

/** What was typed into a cell, as the server reads it. */
export function readCell(table: TableName, field: string, text: string): string {
  const kind = kindOf(table, field);
  if (kind === 'date') return dayAsTyped(text);
  return kind === 'amount' ? asTyped(text) : text;
}
