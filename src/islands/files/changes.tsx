import type { BringInView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

/** Each cell that a file would change, as it stands and as it would be; what it would empty stands first. */
export function Changes({ view: { cells, columns, done } }: { view: BringInView }) {
  const all = columns.reduce((sum, { changed }) => sum + changed, 0);
  const emptied = columns.reduce((sum, one) => sum + one.emptied, 0);
  return (
    <div className="mt-5">
      <h3 className="text-lg">{done ? 'What changed' : 'What would change'}</h3>
      <p className="mt-1 text-sm">
        {columns.map(({ column, changed }) => `${column}: ${cellsOf(changed)}`).join('; ')}.
      </p>
      {emptied > 0 ? (
        <Notice tone="care" className="mt-2 text-sm">
          The file has nothing where something stands: {cellsOf(emptied)}{' '}
          {done ? 'were emptied' : 'would be emptied'} (
          {columns
            .filter((one) => one.emptied > 0)
            .map((one) => `${one.column} ${saidCount(one.emptied)}`)
            .join(', ')}
          ).{done ? '' : ' To keep them, leave that column out below.'}
        </Notice>
      ) : null}
      <section
        className="mt-2 max-h-80 overflow-y-auto"
        aria-label="Cells before and after"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keys.
        tabIndex={0}
      >
        <table className="rows text-sm">
          <thead className="sticky top-0 bg-base-100">
            <tr>
              <th className="figure">Line</th>
              <th>What</th>
              <th>Column</th>
              <th>{done ? 'Before' : 'Now'}</th>
              <th>{done ? 'Now' : 'Then'}</th>
            </tr>
          </thead>
          <tbody>
            {cells.map(({ line, label, column, before, after }) => (
              <tr key={`${line} ${column}`}>
                <td className="figure">{line}</td>
                <td>{label}</td>
                <td>{column}</td>
                <td className="quiet">{before || 'nothing'}</td>
                <td className={after ? 'font-semibold' : 'font-semibold italic'}>{after || 'emptied'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {all > cells.length ? (
        <p className="quiet mt-1 text-sm">
          The first {cells.length} of {saidCount(all)} cells.
        </p>
      ) : null}
    </div>
  );
}

const cellsOf = (count: number): string => `${saidCount(count)} ${count === 1 ? 'cell' : 'cells'}`;
