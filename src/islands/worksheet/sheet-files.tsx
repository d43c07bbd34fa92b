import { useState } from 'react';
import { Refused, refusalOf } from '../server/index.ts';
import type { SheetColumn, SheetRow } from '../sheet/index.ts';

const KINDS = ['csv', 'xlsx', 'json'] as const;

interface Lines {
  readonly lines: Record<string, string>;
  readonly refused: readonly { readonly line: number; readonly message: string }[];
}

/** Lines out of a file, and the lines that are looked at into one. */
export function SheetFiles({
  columns,
  rows,
  locked,
  onAdd,
}: {
  columns: readonly SheetColumn[];
  /** Those that are looked at, in their order. */
  rows: () => readonly SheetRow[];
  locked: boolean;
  onAdd: (lines: Record<string, string>) => void;
}) {
  const [said, setSaid] = useState<readonly string[]>([]);
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
      const count = Object.keys(lines).length;
      if (refused.length === 0) onAdd(lines);
      return refused.length === 0
        ? [`${count} ${count === 1 ? 'line' : 'lines'} brought in.`]
        : [
            'Nothing was brought in; these lines of the file are at fault:',
            ...refused.slice(0, 10).map(({ line, message }) => `line ${line}: ${message}`),
            ...(refused.length > 10 ? [`and ${refused.length - 10} more`] : []),
          ];
    });
  const takeOut = (kind: (typeof KINDS)[number]) =>
    attempt(async () => {
      const body = {
        name: 'worksheet',
        kind,
        columns: columns.map(({ field, title }) => ({
          field,
          title,
          kind: MONEY.includes(field) ? 'amount' : 'text',
        })),
        rows: rows().map(({ cells }) => cells),
      };
      const reply = await fetch('/api/files/write', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      if (!reply.ok)
        throw new Refused({ status: reply.status, message: 'It could not be written.', faults: [] });
      save(await reply.blob(), `worksheet.${kind}`);
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
      </div>
    </div>
  );
}

const MONEY: readonly string[] = ['regular', 'now', 'price', 'cost'];

function save(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
