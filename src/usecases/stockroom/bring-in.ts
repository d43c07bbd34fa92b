import {
  type BringInView,
  done,
  failed,
  type Matching,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { type Cells, type TableName, tableOf } from '../../contracts/table/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import type { MatchingStore } from '../ports/index.ts';
import { checkEdit, permissionFor, type RowFault, writesUnseenCost } from './change-stockroom.ts';
import { changedCells } from './changed-cells.ts';
import { type LineFault, likeFaults } from './like-faults.ts';
import { guessMatching, missingColumns } from './match-columns.ts';
import { type StockroomPorts, writeEntries } from './write-entries.ts';

export interface BringIn {
  readonly table: TableName;
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** The line of the file on which each row stands. */
  readonly lines: readonly number[];
  /** What the person chose; null: what was chosen the last time, or else a guess. */
  readonly matching: Matching | null;
  /** Only tells what it would do. */
  readonly dry: boolean;
  readonly now: Instant;
  readonly onProgress: (stage: string, done: number, of: number) => Promise<void>;
}

type Ports = StockroomPorts & { matchings: MatchingStore };

const FAULTS_TOLD = 200;
const SAMPLE = 5;
const ATTEMPTS = 3;

/** Brings the rows of a file into a table: all of them in one transaction, or none. */
export async function bringIn(ports: Ports, person: Person, file: BringIn): Promise<Outcome<BringInView>> {
  if (!may(person, permissionFor(file.table))) return failed({ kind: 'forbidden' });
  const { columns } = tableOf(file.table);
  if (file.matching) await ports.matchings.keep(person.id, file.table, file.heads, file.matching);
  const kept = file.matching ? null : await ports.matchings.find(person.id, file.table, file.heads);
  const matching = file.matching ?? kept ?? guessMatching(file.heads, columns);
  const against = missingColumns(matching, columns, file.heads);
  const none = { faults: [], cells: [], columns: [] };
  const nothing = { added: 0, changed: 0, same: 0, refused: 0, ...none, done: false, waits: null };
  const view = {
    heads: file.heads,
    matching,
    remembered: kept !== null,
    rows: file.rows.length,
    against,
    sample: file.rows.slice(0, SAMPLE),
  };
  if (against.length > 0) return done({ ...view, ...nothing });
  const edits = await editsOf(file, matching);
  if (writesUnseenCost(person, { table: file.table, edits })) return failed({ kind: 'forbidden' });
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    await file.onProgress('checking', 0, edits.length);
    const current = await ports.book.current();
    const { document } = current;
    const checked = checkEdit(
      document,
      { table: file.table, edits, drops: [], overwrite: true },
      (row) => `line ${file.lines[row]!}`,
    );
    const lines = new Set(checked.faults.map(({ row }) => row));
    const counts = {
      added: checked.added.length,
      changed: checked.changed.length,
      same: edits.length - checked.added.length - checked.changed.length - lines.size,
      refused: lines.size,
      faults: likeFaults(checked.faults.map((fault) => told(fault, file, matching))).slice(0, FAULTS_TOLD),
      ...changedCells(document, checked, (row) => file.lines[row]!),
    };
    if (file.dry || checked.faults.length > 0) return done({ ...view, ...counts, done: false, waits: null });
    await file.onProgress('writing', 0, edits.length);
    const changing = new Set([...checked.added, ...checked.changed]);
    const { keyOf } = tableOf(file.table);
    const puts = checked.change.puts.filter((entry) => changing.has(keyOf(entry)));
    const saved =
      puts.length === 0
        ? { kind: 'saved' as const }
        : await writeEntries(
            ports,
            current,
            { ...checked.change, puts },
            { person, action: 'brought-in', now: file.now },
          );
    if (saved.kind === 'moved-on') continue;
    if (saved.kind === 'not-theirs') return failed({ kind: 'invalid', faults: [saved.fault] });
    return done({ ...view, ...counts, done: true, waits: saved.kind === 'waits' ? saved.id : null });
  }
  return failed({ kind: 'conflict', code: 'plan-moves', bringing: true });
}

const A_STRETCH = 10_000;

/** The rows as edits; what the file has no column for stays as it is. */
async function editsOf(file: BringIn, matching: Matching): Promise<{ key: null; cells: Cells }[]> {
  const places = file.heads.flatMap((head, i) => {
    const field = matching[head];
    return field ? [{ field, i }] : [];
  });
  const edits: { key: null; cells: Cells }[] = [];
  for (let from = 0; from < file.rows.length; from += A_STRETCH) {
    for (const row of file.rows.slice(from, from + A_STRETCH))
      edits.push({
        key: null,
        cells: Object.fromEntries(places.map(({ field, i }) => [field, row[i] ?? ''])),
      });
    await file.onProgress('reading', Math.min(from + A_STRETCH, file.rows.length), file.rows.length);
  }
  return edits;
}

function told({ row, field, what, wanted }: RowFault, file: BringIn, matching: Matching): LineFault {
  const head = Object.entries(matching).find(([, of]) => of === field)?.[0] ?? '';
  return { line: row === null ? 0 : file.lines[row]!, column: head, message: `${what}; wanted: ${wanted}` };
}
