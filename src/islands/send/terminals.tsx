import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { TerminalRow, TerminalsView } from '../../contracts/view/index.ts';
import { numberWords } from '../../core/price-file/index.ts';
import { TROUBLE_WORDS } from '../../ui/words/index.ts';
import { saidClock, saidCount, zoneWords } from '../../ui/writing/index.ts';

/** What each terminal holds, the troubled ones first. */
export function Terminals({
  view,
  failed,
  now,
  tillPage,
}: {
  view: TerminalsView | null;
  failed: boolean;
  now: string;
  tillPage: string | null;
}) {
  const [onlyTroubled, setOnlyTroubled] = useState(false);
  if (!view)
    return (
      <section id="terminals" className="mt-10">
        <h2 className="text-xl">Terminals</h2>
        <p className="quiet mt-2" role="status">
          {failed ? 'The terminals could not be read. This page asks again by itself.' : 'Reading …'}
        </p>
      </section>
    );
  const troubled = view.terminals.filter(({ trouble }) => trouble !== null);
  const rows = onlyTroubled
    ? troubled
    : [...troubled, ...view.terminals.filter(({ trouble }) => trouble === null)];
  return (
    <section id="terminals" className="mt-10">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h2 className="text-xl">Terminals</h2>
        <p>
          <b>{view.terminals.length - troubled.length}</b> of {view.terminals.length} hold what their store
          was sent
        </p>
        <label className="ml-auto flex items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="checkbox"
            checked={onlyTroubled}
            onChange={(event) => setOnlyTroubled(event.target.checked)}
          />
          Only those with trouble
        </label>
      </div>
      <table className="rows mt-2">
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
            <Row key={row.terminal} row={row} tillPage={tillPage} />
          ))}
        </tbody>
      </table>
      <p className="quiet mt-2 text-sm">
        Last sendings:{' '}
        {view.rollouts
          .slice(0, 5)
          .map(
            ({ id, stores, createdBy }) =>
              `no. ${numberWords(id)} to ${stores === 1 ? '1 store' : `${saidCount(stores)} stores`} by ${createdBy}`,
          )
          .join('; ') || 'none yet'}
        . It is {saidClock(now.slice(11))} at the store you look at.
      </p>
    </section>
  );
}

function Row({ row, tillPage }: { row: TerminalRow; tillPage: string | null }) {
  const { terminal, storeName, timeZone, tags, holds, wanted, heldSince, lastSeen, trouble, problem } = row;
  return (
    <tr className="[content-visibility:auto]">
      <td className="whitespace-nowrap">
        {tillPage ? (
          <a
            className="link"
            href={`${tillPage}/till/${idInAddress(terminal)}`}
            title="Look at the simulated till"
          >
            {terminal}
          </a>
        ) : (
          terminal
        )}{' '}
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
