import { readAmountText, readDateText, readDecimal } from './decimal.ts';
import type { CellFault, Cells, ReadContext, ReadRow } from './definition.ts';

/** Reads the cells of one row and collects what is wrong with them. An empty cell is nothing. */
export interface CellReader {
  text(field: string): string | undefined;
  required(field: string): string;
  amount(field: string): string | undefined;
  date(field: string): string | undefined;
  /** Several texts with semicolons or commas between. */
  list(field: string): string[] | undefined;
  /** Signed basis points out of "-3", "12,5 %". */
  percent(field: string): number | undefined;
  /** A part of the plan document, written as JSON. */
  json(field: string): unknown;
  choice<T extends string>(field: string, choices: readonly T[]): T | undefined;
  fault(field: string, what: string, wanted: string): void;
  done<Entry>(entry: Entry): ReadRow<Entry>;
}

export function cellReader(row: Cells, { currency }: ReadContext): CellReader {
  const faults: CellFault[] = [];
  const fault: CellReader['fault'] = (field, what, wanted) => void faults.push({ field, what, wanted });
  const text = (field: string) => row[field]?.trim() || undefined;
  return {
    text,
    fault,
    required(field) {
      const found = text(field);
      if (found === undefined) fault(field, 'nothing stands here', 'a value');
      return found ?? '';
    },
    amount(field) {
      const found = text(field);
      if (found === undefined) return undefined;
      const read = readAmountText(found, currency);
      if (read.ok) return read.amount;
      fault(field, read.what, read.wanted);
      return undefined;
    },
    date(field) {
      const found = text(field);
      if (found === undefined) return undefined;
      const date = readDateText(found);
      if (date === null) fault(field, `"${found}" is no day`, 'a day such as 2027-03-01 or 1.3.2027');
      return date ?? undefined;
    },
    list(field) {
      const parts = (text(field) ?? '').split(/[;,\n]/).map((part) => part.trim());
      const kept = [...new Set(parts.filter(Boolean))];
      return kept.length === 0 ? undefined : kept;
    },
    percent(field) {
      const found = text(field);
      if (found === undefined) return undefined;
      const match = /^([+-]?)\s*([\d.,]+)\s*%?$/.exec(found);
      const decimal = match && readDecimal(match[2]!);
      const points = decimal ? Math.round(Number(decimal) * 100) : Number.NaN;
      if (!Number.isFinite(points) || (decimal!.split('.')[1] ?? '').length > 2) {
        fault(field, `"${found}" is no percentage`, 'a percentage such as -3 or 12.5');
        return undefined;
      }
      return match![1] === '-' ? -points : points;
    },
    json(field) {
      const found = text(field);
      if (found === undefined) return undefined;
      try {
        return JSON.parse(found);
      } catch {
        fault(field, 'it is no JSON', 'a rule such as {"node": "teas"}');
        return undefined;
      }
    },
    choice(field, choices) {
      const found = text(field)?.toLowerCase();
      if (found === undefined) return undefined;
      const chosen = choices.find((choice) => choice === found);
      if (!chosen) fault(field, `"${found}" is not known here`, `one of ${choices.join(', ')}`);
      return chosen;
    },
    done: (entry) => (faults.length === 0 ? { ok: true, entry } : { ok: false, faults }),
  };
}

/** Leaves out what is not there: an absent field and a field of `undefined` are not the same document. */
export function said<T extends object>(entry: T): T {
  return Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined)) as T;
}

export const joined = (parts: readonly string[] | undefined): string => (parts ?? []).join('; ');

/** "-3", "12.5": basis points as a percentage. */
export const percentText = (points: number | undefined): string =>
  points === undefined ? '' : String(points / 100);
