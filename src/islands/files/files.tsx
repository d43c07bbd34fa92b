import { useRef, useState } from 'react';
import type { BringInView, Matching } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { type Refusal, refusalOf } from '../server/index.ts';
import { askNews } from './ask-news.ts';
import { DryRun } from './dry-run.tsx';
import { type FiledName, filedOf } from './filed.ts';

type State =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'working'; readonly words: string }
  | { readonly kind: 'looked'; readonly view: BringInView }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

export interface FilesProps {
  readonly tables: readonly FiledName[];
  /** Those that the person may bring files into. */
  readonly brings: readonly FiledName[];
  /** The one that a file is brought into unless another is chosen; absent: the person brings none in. */
  readonly first?: FiledName;
}

const KINDS = ['csv', 'xlsx', 'json'] as const;

/** Files in, after a dry run that shows what they would do; tables out, in the same shapes. */
export function Files({ tables, brings, first }: FilesProps) {
  return (
    <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_20rem]">
      {first ? <In brings={brings} first={first} /> : null}
      <section>
        <h2 className="text-xl">Take out</h2>
        <table className="rows mt-1 text-sm">
          <caption className="sr-only">Tables to take out</caption>
          <tbody>
            {tables.map((table) => (
              <tr key={table}>
                <td>{filedOf(table).title}</td>
                {KINDS.map((kind) => (
                  <td key={kind}>
                    <a className="link" href={`${filedOf(table).path}?kind=${kind}`} download>
                      {kind.toUpperCase()}
                      <span className="sr-only"> of {filedOf(table).title}</span>
                    </a>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}

function In({ brings, first }: { brings: readonly FiledName[]; first: FiledName }) {
  const [table, setTable] = useState<FiledName>(first);
  const [file, setFile] = useState<Blob | null>(null);
  const [name, setName] = useState('');
  const [state, setState] = useState<State>({ kind: 'nothing' });
  const newest = useRef(0);
  const { columns, title } = filedOf(table);

  async function send(chosen: Blob, of: FiledName, matching: Matching | null, dry: boolean): Promise<void> {
    const mine = ++newest.current;
    // Only what was asked last is shown, however long an earlier answer takes.
    const show = (next: State) => mine === newest.current && setState(next);
    show({ kind: 'working', words: dry ? 'Looking what it would do …' : 'Bringing it in …' });
    const query = new URLSearchParams(dry ? { dry: '1' } : {});
    if (matching) query.set('matching', JSON.stringify(matching));
    try {
      const view = await askNews(`${filedOf(of).path}?${query}`, chosen, (words) =>
        show({ kind: 'working', words }),
      );
      show({ kind: 'looked', view });
    } catch (error) {
      show({ kind: 'refused', refusal: refusalOf(error) });
    }
  }

  return (
    <section>
      <h2 className="text-xl">Bring in</h2>
      <p className="quiet mt-1 text-sm">
        CSV, XLSX or JSON. First you see what it would do; nothing is saved before you say so, and then all of
        it or nothing.
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        <label className="flex flex-col text-sm">
          What the file holds
          <select
            className="select select-sm mt-0.5 w-56"
            value={table}
            onChange={(event) => {
              const next = event.target.value as FiledName;
              setTable(next);
              if (file) send(file, next, null, true);
            }}
          >
            {brings.map((one) => (
              <option key={one} value={one}>
                {filedOf(one).title}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col text-sm">
          The file
          <input
            type="file"
            accept=".csv,.txt,.xlsx,.json,text/csv,application/json"
            className="file-input file-input-sm mt-0.5 w-72"
            onChange={async (event) => {
              const field = event.target;
              const picked = field.files?.[0];
              if (picked) setState({ kind: 'working', words: 'Reading the file …' });
              // Its bytes are kept: a browser gives no more of a file that was changed since it was chosen.
              const chosen = picked ? new Blob([await picked.arrayBuffer()]) : null;
              setName(picked?.name ?? '');
              // Else the same file, set right and chosen again, would be no change to the browser.
              field.value = '';
              setFile(chosen);
              if (chosen) send(chosen, table, null, true);
              else setState({ kind: 'nothing' });
            }}
          />
        </label>
      </div>
      {name ? <p className="mt-3 text-sm">Looked at: {name}</p> : null}
      {state.kind === 'nothing' ? (
        <p className="mt-4 text-sm">
          <span className="quiet">{title} have the columns</span>{' '}
          {columns
            .filter(({ shown }) => !shown)
            .map(
              ({ title: head, required, hint }) =>
                `${head}${required ? '' : ' (if any)'}${hint ? `: ${hint}` : ''}`,
            )
            .join('; ')}
          .{' '}
          <span className="quiet">
            What a file has no column for stays as it is.
            {table === 'items'
              ? ' A file of items with their prices comes in twice: as items, then as regular prices.'
              : ''}
          </span>
        </p>
      ) : null}
      {state.kind === 'working' ? (
        <p className="mt-4" role="status">
          {state.words}
        </p>
      ) : null}
      {state.kind === 'refused' ? (
        <Notice tone="trouble" className="mt-4 text-sm">
          <p>{state.refusal.message}</p>
          <ul>
            {state.refusal.faults.map(({ path, message }) => (
              <li key={path + message}>{message}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      {state.kind === 'looked' && file ? (
        <DryRun
          table={table}
          view={state.view}
          onMatch={(matching) => send(file, table, matching, true)}
          onBringIn={() => send(file, table, state.view.matching, false)}
        />
      ) : null}
    </section>
  );
}
