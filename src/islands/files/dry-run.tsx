import type { BringInView, Matching } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { Changes } from './changes.tsx';
import { type FiledName, filedOf } from './filed.ts';

const LEFT_OUT = '';

/** What a file would do: which column is which, how many rows are new, changed, the same and refused, and why. */
export function DryRun({
  table,
  view,
  onMatch,
  onBringIn,
}: {
  table: FiledName;
  view: BringInView;
  onMatch: (matching: Matching) => void;
  onBringIn: () => void;
}) {
  const { added, changed, same, refused, faults, done, against, rows, remembered, waits } = view;
  const ready = against.length === 0 && refused === 0 && faults.length === 0;
  const nothing = added + changed === 0;
  return (
    <div className="mt-5">
      <div role="status">
        <dl className="flex flex-wrap gap-x-8 gap-y-1">
          {[
            [rows, 'rows'],
            [added, done ? 'added' : 'would be added'],
            [changed, done ? 'changed' : 'would be changed'],
            [same, 'stay as they are'],
            [refused, 'refused'],
          ].map(([count, words]) => (
            <div key={words} className={words === 'refused' && refused > 0 ? 'text-error' : ''}>
              <dd className="font-serif text-2xl">{saidCount(Number(count))}</dd>
              <dt className="text-sm">{words}</dt>
            </div>
          ))}
        </dl>
      </div>
      {against.map((words) => (
        <Notice key={words} tone="trouble">
          {words}
        </Notice>
      ))}
      {waits === null ? null : (
        <Notice tone="news" className="mt-3">
          That would change prices, so it waits until somebody approves it.{' '}
          <a className="link" href="/stockroom/waiting">
            See what waits
          </a>
        </Notice>
      )}
      {done && waits === null ? (
        <p className="mt-3">All of it is in.</p>
      ) : ready ? (
        <p className="mt-4">
          <button type="button" className="btn btn-primary btn-sm" disabled={nothing} onClick={onBringIn}>
            {nothing ? 'Nothing to bring in' : `Bring in ${saidCount(added + changed)} rows`}
          </button>
        </p>
      ) : against.length === 0 ? (
        <p className="mt-3 text-sm">
          Nothing can be brought in before the refused rows are set right in the file.
        </p>
      ) : null}
      {faults.length > 0 ? <Faults view={view} /> : null}
      {view.cells.length > 0 ? <Changes view={view} /> : null}
      {done ? null : <Columns table={table} view={view} remembered={remembered} onMatch={onMatch} />}
    </div>
  );
}

function Faults({ view: { faults } }: { view: BringInView }) {
  return (
    <section
      className="mt-4 max-h-80 overflow-y-auto"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keys.
      tabIndex={0}
      aria-label="Refused rows"
    >
      <table className="rows text-sm">
        <thead className="sticky top-0 bg-base-100">
          <tr>
            <th className="figure">Line</th>
            <th>Column</th>
            <th>Why</th>
          </tr>
        </thead>
        <tbody>
          {faults.map(({ line, column, message, count, moreLines }) => (
            <tr key={`${line} ${column} ${message}`}>
              <td className="figure">{line || ''}</td>
              <td>{column}</td>
              <td>
                {message}
                {count > 1 ? <b> {alike(count, moreLines)}</b> : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** "and 36 lines more like it: 4, 5, 6, 9, 12 …" */
function alike(count: number, lines: readonly number[]): string {
  const more = count - 1;
  const rest = more > lines.length ? ' …' : '';
  return `and ${saidCount(more)} ${more === 1 ? 'line' : 'lines'} more like it: ${lines.join(', ')}${rest}`;
}

function Columns({
  table,
  view: { heads, matching, sample },
  remembered,
  onMatch,
}: {
  table: FiledName;
  view: BringInView;
  remembered: boolean;
  onMatch: (matching: Matching) => void;
}) {
  const fields = filedOf(table).columns.filter(({ shown }) => !shown);
  const choose = (head: string, field: string) => {
    const others = Object.entries(matching).filter(([other, of]) => other !== head && of !== field);
    onMatch(Object.fromEntries(field === LEFT_OUT ? others : [...others, [head, field]]));
  };
  return (
    <section className="mt-6">
      <h3 className="text-lg">
        Which column is which{' '}
        {remembered ? <span className="quiet font-sans text-sm">as you chose the last time</span> : null}
      </h3>
      <table className="rows mt-1 text-sm">
        <caption className="sr-only">Columns of the file</caption>
        <thead>
          <tr>
            <th>In the file</th>
            <th>Here</th>
            <th>Such as</th>
          </tr>
        </thead>
        <tbody>
          {heads.map((head, place) => {
            const field = matching[head] ?? LEFT_OUT;
            return (
              <tr key={head}>
                <td>{head || '(no name)'}</td>
                <td>
                  <select
                    className="select select-xs w-48"
                    aria-label={`What the column ${head} is`}
                    value={field}
                    onChange={(event) => choose(head, event.target.value)}
                  >
                    <option value={LEFT_OUT}>left out</option>
                    {fields.map((one) => (
                      <option key={one.field} value={one.field}>
                        {one.title}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="quiet">
                  {sample
                    .map((row) => row[place])
                    .filter(Boolean)
                    .slice(0, 3)
                    .join(', ')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
