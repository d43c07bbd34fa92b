import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { tableOf } from '../../contracts/table/index.ts';
import type { WaitingEntriesView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCell, saidCount, saidPercent, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, refusalOf } from '../server/index.ts';

/** Changes of the stockroom on their way: what they say, what they would do, and who decides. */
export function WaitingEntries({
  waiting,
  query,
  timeZone,
}: {
  waiting: readonly WaitingEntriesView[];
  query: string;
  /** In which moments are told. */
  timeZone: string;
}) {
  const [left, setLeft] = useState(waiting);
  const [said, setSaid] = useState('');
  if (left.length === 0)
    return (
      <p className="mt-6" role="status">
        {said} Nothing waits here.
      </p>
    );
  return (
    <>
      <p className="mt-3 min-h-6 text-sm" role="status">
        {said}
      </p>
      {left.map((one) => (
        <One
          key={one.id}
          one={one}
          query={query}
          timeZone={timeZone}
          onDone={(words, stays) => {
            setSaid(words);
            if (!stays) setLeft((before) => before.filter(({ id }) => id !== one.id));
          }}
        />
      ))}
    </>
  );
}

const DONE = {
  approve: 'Approved. It goes to the tills with the next sending.',
  'send-back': 'Sent back.',
  drop: 'Dropped. Nothing was changed.',
} as const;

function One({
  one,
  query,
  timeZone,
  onDone,
}: {
  one: WaitingEntriesView;
  query: string;
  timeZone: string;
  onDone: (words: string, stays: boolean) => void;
}) {
  const [reason, setReason] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const table = tableOf(one.table);
  async function decide(step: keyof typeof DONE) {
    try {
      await ask(`/api/waiting-entries/${one.id}`, { method: 'POST', body: { step, reason } });
      onDone(DONE[step], false);
    } catch (error) {
      const { message, faults } = refusalOf(error);
      setRefusal([message, ...faults.map((fault) => fault.message)].join(' '));
    }
  }
  return (
    <section className="hairline mt-6 border-t pt-3" aria-label={`${table.title}, by ${one.writer}`}>
      <h2 className="text-xl">
        {table.title}: {saidCount(one.count)} {one.count === 1 ? 'row' : 'rows'}
      </h2>
      <p className="quiet text-sm">
        written by {one.writer}, {shortMoment(timeIn(timeZone, one.writtenAt), '')}
      </p>
      <Effect one={one} query={query} />
      {one.returned ? (
        <p className="mt-1 text-sm">
          Sent back by {one.returned.by}: {one.returned.reason}
        </p>
      ) : null}
      <Rows one={one} />
      <p className="mt-3 flex flex-wrap items-center gap-2">
        {one.approves ? (
          <button type="button" className="btn btn-primary btn-sm" onClick={() => decide('approve')}>
            Approve
          </button>
        ) : null}
        {one.drops ? (
          <button type="button" className="btn btn-sm" onClick={() => decide('drop')}>
            Drop it
          </button>
        ) : null}
        {one.approves ? (
          <>
            <input
              className="input input-sm w-72"
              aria-label="What should be otherwise"
              placeholder="What should be otherwise"
              value={reason}
              onChange={(event) => setReason(event.target.value)}
            />
            <button
              type="button"
              className="btn btn-sm"
              disabled={reason.trim() === ''}
              onClick={() => decide('send-back')}
            >
              Send it back
            </button>
          </>
        ) : (
          <span className="quiet text-sm">{one.returned ? '' : 'Somebody else approves it.'}</span>
        )}
      </p>
      {refusal ? (
        <Notice tone="trouble" className="mt-2 text-sm">
          {refusal}
        </Notice>
      ) : null}
    </section>
  );
}

function Effect({ one: { effect }, query }: { one: WaitingEntriesView; query: string }) {
  const part = (more: number, less: number, words: string) =>
    [more > 0 ? `${more} ${words} more` : '', less > 0 ? `${less} ${words} fewer` : ''].filter(Boolean);
  if (effect.promotions.length === 0) return null;
  return (
    <ul className="mt-1 text-sm">
      {effect.promotions.map(({ id, name, goodsMore, goodsLess, storesMore, storesLess }) => (
        <li key={id}>
          <a className="link" href={`/plan/${idInAddress(id)}${query}`}>
            {name}
          </a>{' '}
          would count for{' '}
          {[...part(goodsMore, goodsLess, 'goods'), ...part(storesMore, storesLess, 'stores')].join(', ')}
        </li>
      ))}
    </ul>
  );
}

const FEW = 12;

/** What each row says now and would say; only the cells that differ. */
function Rows({ one: { table, rows, count } }: { one: WaitingEntriesView }) {
  const { columns } = tableOf(table);
  const [all, setAll] = useState(false);
  const shown = all ? rows : rows.slice(0, FEW);
  return (
    <table className="rows mt-2 text-sm">
      <thead>
        <tr>
          <th>Row</th>
          <th>As it stands</th>
          <th>As it would be</th>
        </tr>
      </thead>
      <tbody>
        {shown.map(({ key, label, before, after }) => {
          const differing = columns.filter(({ field }) => (before?.[field] ?? '') !== (after?.[field] ?? ''));
          const told = (cells: Readonly<Record<string, string>> | null) =>
            cells === null
              ? '–'
              : differing
                  .filter(({ field }) => cells[field])
                  .map(({ field, title }) => {
                    const text = saidCell(table, field, cells[field]!);
                    return table === 'prices' ? text : `${title} ${text}`;
                  })
                  .join(', ');
          return (
            <tr key={key}>
              <th scope="row" className="font-normal">
                {label}
              </th>
              <td className="quiet">{before === null ? 'not there' : told(before)}</td>
              <td className="font-medium">
                {after === null ? 'taken away' : told(after)}{' '}
                {table === 'prices' ? <Change before={before?.price} after={after?.price} /> : null}
              </td>
            </tr>
          );
        })}
      </tbody>
      {count > shown.length ? (
        <tfoot>
          <tr>
            <td colSpan={3} className="quiet">
              and {count - shown.length} more{' '}
              {rows.length > shown.length ? (
                <button type="button" className="link" onClick={() => setAll(true)}>
                  show {rows.length === count ? 'them' : `the first ${rows.length}`}
                </button>
              ) : null}
            </td>
          </tr>
        </tfoot>
      ) : null}
    </table>
  );
}

/** By how much a price rises or falls. */
function Change({ before, after }: { before: string | undefined; after: string | undefined }) {
  const [was, is] = [Number(before), Number(after)];
  if (!(was > 0) || !Number.isFinite(is)) return null;
  const percent = ((is - was) / was) * 100;
  return (
    <span className={`ml-2 font-normal ${Math.abs(percent) > 25 ? 'text-error' : 'quiet'}`}>
      {percent > 0 ? '+' : ''}
      {saidPercent(percent * 100)}
    </span>
  );
}
