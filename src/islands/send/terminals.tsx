import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { TerminalRow, TerminalsView } from '../../contracts/view/index.ts';
import { numberWords } from '../../core/price-file/index.ts';
import { senderWords, TROUBLE_WORDS } from '../../ui/words/index.ts';
import { saidClock, saidCount, zoneWords } from '../../ui/writing/index.ts';
import { TerminalsByGroup } from './terminals-by-group.tsx';

/** What each terminal holds, the troubled ones first. */
export function Terminals({
  view,
  failed,
  now,
  query,
}: {
  view: TerminalsView | null;
  failed: boolean;
  now: string;
  /** Of the lens, for links. */
  query: string;
}) {
  const [all, setAll] = useState(false);
  const [wanted, setWanted] = useState('');
  const [group, setGroup] = useState<string | null>(null);
  if (!view)
    return (
      <section id="terminals" className="mt-10">
        <h2 className="text-xl">Terminals</h2>
        <p className="quiet mt-2" role="status">
          {failed ? 'The terminals could not be read. This page asks again by itself.' : 'Reading …'}
        </p>
      </section>
    );
  const stores = view.groups.find(({ id }) => id === group)?.stores;
  const inSight = stores ? view.terminals.filter(({ store }) => stores.includes(store)) : view.terminals;
  const troubled = inSight.filter(({ trouble }) => trouble !== null);
  const fine = inSight.filter(({ trouble }) => trouble === null);
  const isMeant = ({ terminal, storeName }: TerminalRow) =>
    `${terminal} ${storeName}`.toLowerCase().includes(wanted.trim().toLowerCase());
  // Who looks for one by its name looks among all.
  const rows = (all || wanted.trim() !== '' ? [...troubled, ...fine] : troubled).filter(isMeant);
  return (
    <section id="terminals" className="mt-10">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <h2 className="text-xl">Terminals</h2>
        <p>
          <b>{saidCount(fine.length)}</b> of {saidCount(inSight.length)} hold what their store was sent
        </p>
        <div className="ml-auto flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
          <input
            type="search"
            className="input input-sm w-56"
            aria-label="Find a terminal or a store"
            placeholder="Find a terminal or a store"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={all}
              onChange={(event) => setAll(event.target.checked)}
            />
            Show those without trouble too
          </label>
        </div>
      </div>
      <TerminalsByGroup view={view} chosen={group} onChoose={setGroup} />
      {rows.length === 0 ? (
        <p className="quiet mt-2">
          {wanted.trim() === ''
            ? 'None has any trouble.'
            : `No terminal and no store is called “${wanted.trim()}”.`}
        </p>
      ) : (
        <Rows rows={rows} query={query} />
      )}
      <p className="quiet mt-2 text-sm">
        Last sendings:{' '}
        {view.rollouts
          .slice(0, 5)
          .map(
            ({ id, stores, createdBy }) =>
              `no. ${numberWords(id)} to ${stores === 1 ? '1 store' : `${saidCount(stores)} stores`} by ${senderWords(createdBy)}`,
          )
          .join('; ') || 'none yet'}
        . It is {saidClock(now.slice(11))} at the store you look at.
      </p>
    </section>
  );
}

function Rows({ rows, query }: { rows: readonly TerminalRow[]; query: string }) {
  return (
    <table className="rows mt-5">
      <caption className="sr-only">Terminals and what they hold</caption>
      <thead>
        <tr>
          <th>Terminal</th>
          <th>Store</th>
          <th>State</th>
          <th className="figure max-sm:hidden">Price file</th>
          <th className="figure max-md:hidden">Held for</th>
          <th className="figure max-md:hidden">Last heard</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <Row key={row.terminal} row={row} query={query} />
        ))}
      </tbody>
    </table>
  );
}

function Row({ row, query }: { row: TerminalRow; query: string }) {
  const { terminal, storeName, timeZone, tags, holds, wanted, heldSince, lastSeen, trouble, problem } = row;
  return (
    <tr className="[content-visibility:auto]">
      <td className="whitespace-nowrap">
        <a className="link" href={`/send/terminal/${idInAddress(terminal)}${query}`}>
          {terminal}
        </a>{' '}
        <span className="quiet text-sm">{tags.join(', ')}</span>
      </td>
      <td>
        {storeName} <span className="quiet text-sm max-md:hidden">{zoneWords(timeZone)}</span>
      </td>
      <td>
        {trouble ? (
          <span className="state state-trouble">{TROUBLE_WORDS[trouble]}</span>
        ) : (
          <span className="state state-live">up to date</span>
        )}
        {problem ? <span className="block text-error text-sm">{problem}</span> : null}
      </td>
      <td className="figure max-sm:hidden">
        {holds === null ? 'none' : numberWords(holds)}
        {wanted !== null && holds !== wanted ? ` of ${numberWords(wanted)}` : ''}
      </td>
      <td className="figure max-md:hidden">{heldSince ? agoWords(heldSince) : ''}</td>
      <td className="figure max-md:hidden">{lastSeen ? `${agoWords(lastSeen)} ago` : 'never'}</td>
    </tr>
  );
}

/** "4 s", "12 min", "3 h", "2 days". */
function agoWords(instant: string): string {
  const seconds = Math.max(0, Math.round((Date.now() - Date.parse(instant)) / 1000));
  if (seconds < 60) return `${seconds} s`;
  if (seconds < 3600) return `${Math.floor(seconds / 60)} min`;
  return seconds < 86_400 ? `${Math.floor(seconds / 3600)} h` : `${Math.floor(seconds / 86_400)} days`;
}
