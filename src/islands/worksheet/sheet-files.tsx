import { useReducer } from 'react';
import { refusalOf } from '../server/index.ts';
import type { SheetColumn, SheetRow } from '../sheet/index.ts';
import { linesIn, writeFile } from './file-transfer.ts';
import { type Differing, FILES, type FileLine, filesAfter } from './files-desk.ts';

export type { FileLine } from './files-desk.ts';

const KINDS = ['csv', 'xlsx', 'json'] as const;
const SHOWN = 12;

/** Lines out of a file, and the lines that are looked at into one. */
export function SheetFiles({
  columns,
  rows,
  locked,
  name,
  differing,
  onAdd,
}: {
  columns: readonly SheetColumn[];
  /** Those that are looked at, in their order. */
  rows: () => readonly SheetRow[];
  locked: boolean;
  /** What files are called. */
  name: string;
  /** The lines of a file that say another price than stands, each in words. */
  differing: (lines: readonly FileLine[]) => readonly Differing[];
  onAdd: (lines: readonly FileLine[]) => void;
}) {
  const [{ said, offered }, tell] = useReducer(filesAfter, FILES);
  const attempt = async (work: () => Promise<void>) => {
    try {
      await work();
    } catch (error) {
      tell({ type: 'refused', refusal: refusalOf(error) });
    }
  };
  const bringIn = (file: File) =>
    attempt(async () => {
      const { lines, refused } = await linesIn(file);
      tell(
        refused.length > 0
          ? { type: 'at-fault', refused }
          : { type: 'read', lines: lines.length, differing: differing(lines) },
      );
    });
  const takeOut = (kind: (typeof KINDS)[number]) =>
    attempt(async () => {
      await writeFile({ name, kind, columns, rows: rows() });
      tell({ type: 'left' });
    });
  return (
    <div className="mt-3 text-sm">
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {locked ? null : (
          <label className="flex items-center gap-2">
            Lines from a file
            <input
              type="file"
              accept=".csv,.txt,.xlsx,.json"
              className="file-input file-input-xs w-56"
              onChange={(event) => {
                const file = event.target.files?.[0];
                if (file) bringIn(file);
                event.target.value = '';
              }}
            />
          </label>
        )}
        <span>
          These lines as{' '}
          {KINDS.map((kind) => (
            <button key={kind} type="button" className="link mr-2" onClick={() => takeOut(kind)}>
              {kind.toUpperCase()}
            </button>
          ))}
        </span>
      </p>
      <div role="status">
        <ul>
          {said.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
        {offered.length > 0 ? (
          <Offer
            offered={offered}
            onTake={() => {
              onAdd(offered.map(({ line }) => line));
              tell({ type: 'taken' });
            }}
            onLeave={() => tell({ type: 'left' })}
          />
        ) : null}
      </div>
    </div>
  );
}

/** Prices of a file that differ from what stands, to be taken or left. */
function Offer({
  offered,
  onTake,
  onLeave,
}: {
  offered: readonly Differing[];
  onTake: () => void;
  onLeave: () => void;
}) {
  return (
    <>
      <ul className="quiet">
        {offered.slice(0, SHOWN).map(({ words }) => (
          <li key={words}>{words}</li>
        ))}
        {offered.length > SHOWN ? <li>and {offered.length - SHOWN} more</li> : null}
      </ul>
      <p className="mt-2 flex gap-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={onTake}>
          Take {offered.length === 1 ? 'this one' : `these ${offered.length}`}
        </button>
        <button type="button" className="btn btn-sm" onClick={onLeave}>
          Leave them
        </button>
      </p>
    </>
  );
}
