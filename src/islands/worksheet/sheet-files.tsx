import { useState } from 'react';
import type { SheetPlace } from '../../core/worksheet/index.ts';
import { Refused, refusalOf } from '../server/index.ts';
import type { SheetColumn, SheetRow } from '../sheet/index.ts';

const KINDS = ['csv', 'xlsx', 'json'] as const;

export interface FileLine {
  readonly sku: string;
  readonly place: SheetPlace | null;
  readonly price: string;
}

interface Lines {
  readonly lines: readonly FileLine[];
  readonly refused: readonly { readonly line: number; readonly message: string }[];
}

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
  differing: (lines: readonly FileLine[]) => { line: FileLine; words: string }[];
  onAdd: (lines: readonly FileLine[]) => void;
}) {
  const [said, setSaid] = useState<readonly string[]>([]);
  const [offered, setOffered] = useState<ReturnType<typeof differing>>([]);
  const attempt = async (work: () => Promise<readonly string[]>) => {
    try {
      setSaid(await work());
    } catch (error) {
      const { message, faults } = refusalOf(error);
      setSaid([message, ...faults.map((fault) => fault.message)]);
    }
  };
  const bringIn = (file: File) =>
    attempt(async () => {
      const reply = await fetch('/api/files/sheet-lines', {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: file,
      });
      const answer = await reply.json();
      if (!reply.ok)
        throw new Refused({ status: reply.status, message: answer.message, faults: answer.faults ?? [] });
      const { lines, refused } = answer as Lines;
      const other = refused.length === 0 ? differing(lines) : [];
      setOffered(other);
      return refused.length === 0
        ? other.length === 0
          ? [`Its ${lines.length} lines say what stands here already.`]
          : [`${other.length} of its ${lines.length} lines say another price:`]
        : [
            'Nothing was brought in; these lines of the file are at fault:',
            ...refused.slice(0, 10).map(({ line, message }) => `line ${line}: ${message}`),
            ...(refused.length > 10 ? [`and ${refused.length - 10} more`] : []),
          ];
    });
  const takeOut = (kind: (typeof KINDS)[number]) =>
    attempt(async () => {
      const body = {
        name,
        kind,
        columns: columns.map(({ field, title }) => ({
          field,
          title,
          kind: MONEY.includes(field) ? 'amount' : PERCENTS.includes(field) ? 'percent' : 'text',
        })),
        rows: rows().map(({ cells }) => figuresOf(cells)),
      };
      const reply = await fetch('/api/files/write', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      if (!reply.ok)
        throw new Refused({ status: reply.status, message: 'It could not be written.', faults: [] });
      save(await reply.blob(), `${name}.${kind}`);
      return [];
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
          <>
            <ul className="quiet">
              {offered.slice(0, SHOWN).map(({ words }) => (
                <li key={words}>{words}</li>
              ))}
              {offered.length > SHOWN ? <li>and {offered.length - SHOWN} more</li> : null}
            </ul>
            <p className="mt-2 flex gap-2">
              <button
                type="button"
                className="btn btn-primary btn-sm"
                onClick={() => {
                  onAdd(offered.map(({ line }) => line));
                  setSaid([`${offered.length} prices stand by hand now; the passes make the others.`]);
                  setOffered([]);
                }}
              >
                Take {offered.length === 1 ? 'this one' : `these ${offered.length}`}
              </button>
              <button
                type="button"
                className="btn btn-sm"
                onClick={() => {
                  setOffered([]);
                  setSaid([]);
                }}
              >
                Leave them
              </button>
            </p>
          </>
        ) : null}
      </div>
    </div>
  );
}

const SHOWN = 12;
const MONEY: readonly string[] = ['regular', 'basis', 'now', 'price', 'cost'];
const PERCENTS: readonly string[] = ['change', 'margin', 'breakEven'];

/** Percentages and factors without their marks: a spreadsheet counts with them. */
const figuresOf = (cells: SheetRow['cells']): Record<string, string> =>
  Object.fromEntries(
    Object.entries(cells).map(([field, text]) => [
      field,
      PERCENTS.includes(field) ? text.replace(/[×%+\s]/g, '') : text,
    ]),
  );

function save(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
