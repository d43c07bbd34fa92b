import { useQuery } from '@tanstack/react-query';
import { idInAddress } from '../../contracts/index.ts';
import type { LensView, UseCount, UsesView } from '../../contracts/view/index.ts';
import { saidAmount, saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask } from '../server/index.ts';

const ASK_AGAIN = 15_000;

/** How often a promotion with a limit was used at all tills together, and by whom. */
export function Uses({ promotion, view }: { promotion: string; view: LensView }) {
  const { data, isError } = useQuery({
    queryKey: ['uses', promotion],
    queryFn: () => ask<UsesView>(`/api/promotions/${idInAddress(promotion)}/uses`),
    refetchInterval: ASK_AGAIN,
  });
  return (
    <section className="mt-8" aria-label="How often it was used">
      <h2 className="hairline border-b pb-1 text-lg">How often it was used</h2>
      {data ? <Counted uses={data} view={view} /> : null}
      {data ? null : (
        <p className="quiet mt-1 text-sm" role="status">
          {isError ? 'It could not be read how often it was used.' : 'Reading …'}
        </p>
      )}
    </section>
  );
}

function Counted({
  uses: { inAll, codes, units, every, beyond, currency, newest },
  view,
}: {
  uses: UsesView;
  view: LensView;
}) {
  return (
    <div className="mt-1 text-sm">
      {inAll ? <p>{countWords(inAll, 'receipts', `in all${spanWords(every)}`)}</p> : null}
      {units.map(({ code, ...count }) => (
        <p key={code ?? ''}>
          {code === null ? null : (
            <>
              <code>{code}</code>:{' '}
            </>
          )}
          {countWords(count, 'units', `${code === null ? 'in all' : 'of this code'}${spanWords(every)}`)}
        </p>
      ))}
      {codes.length > 0 ? (
        <ul>
          {codes.map(({ code, ...count }) => (
            <li key={code}>
              <code>{code}</code>: {countWords(count, 'receipts', `of this code${spanWords(every)}`)}
            </li>
          ))}
        </ul>
      ) : null}
      {beyond.receipts > 0 ? (
        <p className="text-error">
          {beyond.receipts === 1 ? 'One receipt' : `${saidCount(beyond.receipts)} receipts`} went beyond the
          limit, {saidAmount(beyond.worth)} {currency} in all: tills that were cut off gave it by themselves.
        </p>
      ) : null}
      {newest.length === 0 ? (
        <p className="quiet">No receipt has used it yet.</p>
      ) : (
        <details>
          <summary className="link quiet py-0.5">
            {newest.length === 1 ? 'The newest receipt' : `The newest ${newest.length} receipts`}
          </summary>
          <Newest newest={newest} view={view} />
        </details>
      )}
    </div>
  );
}

function Newest({ newest, view: { lens, now } }: { newest: UsesView['newest']; view: LensView }) {
  const at = (row: UsesView['newest'][number]) => shortMoment(timeIn(row.timeZone, row.at), now);
  const query = lens.where === null ? '' : `?where=${encodeURIComponent(lens.where)}`;
  return (
    <table className="rows">
      <thead>
        <tr>
          <th>When, at the store</th>
          <th>Store</th>
          <th>Till</th>
          <th>By</th>
        </tr>
      </thead>
      <tbody>
        {newest.map((row) => (
          <tr key={`${row.terminal} ${row.at} ${row.code} ${row.shopper}`}>
            <td>{at(row)}</td>
            <td>{row.storeName}</td>
            <td>
              <a className="link" href={`/send/terminal/${idInAddress(row.terminal)}${query}`}>
                {row.terminal}
              </a>
            </td>
            <td>
              {[
                row.code && `code ${row.code}`,
                row.batch && `a code of batch ${row.batch}`,
                row.shopper && `shopper ${row.shopper}`,
              ]
                .filter(Boolean)
                .join(', ') || 'a guest'}
              {row.units === null ? '' : row.units === 1 ? ', one unit' : `, ${saidCount(row.units)} units`}
              {row.over ? ' beyond the limit, while cut off' : ''}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const spanWords = (every: UsesView['every']): string =>
  every === null ? '' : every === 'day' ? ' today' : ` this ${every}`;

/** "12 of 100 receipts in all; 1 is kept for a basket that is not paid yet." */
function countWords({ most, taken, held }: UseCount, what: 'receipts' | 'units', of: string): string {
  const used = `${saidCount(taken)} of ${saidCount(most)} ${what} ${of}`;
  if (held === 0) return `${used}.`;
  return `${used}; ${held === 1 ? 'one more is' : `${saidCount(held)} more are`} kept for baskets that are not paid yet.`;
}
