import Papa from 'papaparse';
import readExcelFile from 'read-excel-file/node';
import { done, invalid, type Outcome, soundnessFault, textFault } from '../../contracts/index.ts';
import { decodeText } from './decode-text.ts';
import { FILE_LIMITS } from './file-limits.ts';
import { unguardFormula } from './formula-guard.ts';
import { sheetSizeFault } from './sheet-size.ts';

/** A file as heads and rows of texts. */
export interface FileRows {
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** The line or row of the file on which each row stands, as a person counts them. */
  readonly lines: readonly number[];
  readonly kind: 'csv' | 'xlsx' | 'json';
}

/** Reads a file of any of the three kinds; which one it is, its bytes say. */
export async function readRows(bytes: Uint8Array): Promise<Outcome<FileRows>> {
  if (bytes.length === 0)
    return refused('the file is empty', 'a file with a line of heads and rows under it');
  // A ZIP begins with "PK".
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return readSheet(bytes);
  const { text } = decodeText(bytes);
  return /^\s*[[{]/.test(text) ? readJson(text) : readCsv(text);
}

const LESS = `at most ${FILE_LIMITS.rows} rows, ${FILE_LIMITS.columns} columns and ${FILE_LIMITS.cells} cells`;

/** The rows, unless there are more of them, or longer ones, than anybody's table has. */
function within(file: FileRows): Outcome<FileRows> {
  const { heads, rows } = file;
  if (rows.length > FILE_LIMITS.rows) return refused(`more than ${FILE_LIMITS.rows} rows stand in it`, LESS);
  if (rows.length * heads.length > FILE_LIMITS.cells)
    return refused(`${rows.length * heads.length} cells stand in it`, LESS);
  for (const [i, row] of [heads, ...rows].entries()) {
    const cell = row.find((text) => text.length > FILE_LIMITS.cell || textFault(text));
    if (cell !== undefined) {
      const line = i === 0 ? 'its heads' : `line ${file.lines[i - 1]}`;
      const { what, wanted } = textFault(cell) ?? { what: 'a text of endless length', wanted: LONGEST };
      return refused(`${what}, in ${line}`, wanted);
    }
  }
  return done(file);
}
const LONGEST = `at most ${FILE_LIMITS.cell} characters in a cell`;

const refused = (what: string, wanted: string) => invalid([], what, wanted);

function readCsv(text: string): Outcome<FileRows> {
  const { data, errors } = Papa.parse<string[]>(text, {
    skipEmptyLines: false,
    delimiter: delimiterOf(text),
    // The heads, and one more than may be: enough to tell that there are too many.
    preview: FILE_LIMITS.rows + 2,
  });
  const quote = errors.find(({ type }) => type === 'Quotes');
  if (quote)
    return refused(
      `a quotation mark is not closed, in line ${(quote.row ?? 0) + 1}`,
      'every " closed by another',
    );
  return withHeads(
    data.map((line) => line.map(unguardFormula)),
    'csv',
  );
}

/** What stands between the heads: the mark that is most often in the first line with anything in it, quotes aside. */
function delimiterOf(text: string): string {
  const heads = text.split(/\r?\n/).find((line) => line.trim() !== '') ?? '';
  const bare = heads.replace(/"[^"]*"/g, '');
  const count = (mark: string) => bare.split(mark).length;
  return [';', ',', '\t', '|'].reduce((best, mark) => (count(mark) > count(best) ? mark : best));
}

async function readSheet(bytes: Uint8Array): Promise<Outcome<FileRows>> {
  const tooLarge = sheetSizeFault(bytes);
  if (tooLarge) return refused(tooLarge, LESS);
  try {
    // Numbers stay as they are written: a barcode is none to calculate with.
    const sheets = (await readExcelFile(
      Buffer.from(bytes) as never,
      { parseNumber: tidy } as never,
    )) as unknown as {
      data: unknown[][];
    }[];
    return withHeads(
      (sheets[0]?.data ?? []).map((row) => row.map(cellText)),
      'xlsx',
    );
  } catch (error) {
    return refused(
      `it cannot be read as a spreadsheet (${(error as Error).message})`,
      'an XLSX, CSV or JSON file',
    );
  }
}

/** "12.499999999999998" is what a spreadsheet keeps for 12.5. */
const tidy = (text: string): string =>
  /\.\d{7,}$/.test(text) ? String(Number(Number(text).toFixed(6))) : text;

function cellText(value: unknown): string {
  if (value === null || value === undefined) return '';
  return value instanceof Date ? value.toISOString().slice(0, 10) : String(value);
}

function readJson(text: string): Outcome<FileRows> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return refused(`it is no JSON (${(error as Error).message})`, 'a list of objects');
  }
  const unsound = soundnessFault(raw);
  if (unsound) return refused(unsound.what, unsound.wanted);
  const list = Array.isArray(raw) ? raw : (raw as { rows?: unknown }).rows;
  if (
    !Array.isArray(list) ||
    list.some((entry) => entry === null || typeof entry !== 'object' || Array.isArray(entry))
  )
    return refused(
      'it is no list of objects',
      'one object for each row, such as [{"sku": "1001", "name": "…"}]',
    );
  const objects = list as Record<string, unknown>[];
  const heads = headsOf(objects);
  if (heads.length === 0) return refused('no row stands in it', 'at least one row');
  if (heads.length > FILE_LIMITS.columns) return refused(`${heads.length} columns stand in it`, LESS);
  const rows = objects.map((entry) => heads.map((head) => jsonText(entry[head])));
  return within({ heads, rows, lines: rows.map((_, row) => row + 1), kind: 'json' });
}

/** Every key once; a list of objects that share none has as many as it has keys, and is refused for it. */
function headsOf(objects: readonly Record<string, unknown>[]): string[] {
  const heads = new Set<string>();
  for (const entry of objects) {
    for (const key of Object.keys(entry)) heads.add(key);
    if (heads.size > FILE_LIMITS.columns) break;
  }
  return [...heads];
}

/** Lists with semicolons, objects as "name: value", everything else as it is. */
function jsonText(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (Array.isArray(value)) return value.map(jsonText).join('; ');
  if (typeof value !== 'object') return String(value);
  return Object.entries(value)
    .map(([name, one]) => `${name}: ${jsonText(one)}`)
    .join('; ');
}

/** The first line with anything in it holds the heads; lines with nothing in them are passed over. */
function withHeads(lines: readonly (readonly string[])[], kind: FileRows['kind']): Outcome<FileRows> {
  const isEmpty = (line: readonly string[]) => line.every((cell) => cell.trim() === '');
  const first = lines.findIndex((line) => !isEmpty(line));
  if (first < 0) return refused('nothing stands in it', 'a line of heads and rows under it');
  const heads = lines[first]!.map((head) => head.trim());
  if (heads.length > FILE_LIMITS.columns) return refused(`${heads.length} columns stand in it`, LESS);
  const twice = heads.find((head, i) => head !== '' && heads.indexOf(head) !== i);
  if (twice !== undefined)
    return refused(`two columns are called "${twice}"`, 'a name of its own for each column');
  const rows: (readonly string[])[] = [];
  const numbers: number[] = [];
  for (let i = first + 1; i < lines.length; i++) {
    if (isEmpty(lines[i]!)) continue;
    rows.push(lines[i]!);
    numbers.push(i + 1);
  }
  if (rows.length === 0) return refused('only heads stand in it', 'rows under the heads');
  return within({ heads, rows, lines: numbers, kind });
}
