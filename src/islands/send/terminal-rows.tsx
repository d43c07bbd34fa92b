import { idInAddress } from '../../contracts/index.ts';
import { TERMINALS_SHOWN, type TerminalRow, type TerminalsView } from '../../contracts/view/index.ts';
import { numberWords } from '../../core/price-file/index.ts';
import { TROUBLE_WORDS } from '../../ui/words/index.ts';
import { saidCount, zoneWords } from '../../ui/writing/index.ts';
import type { Asking } from './terminals.tsx';

/** So many more are shown at each press. */
const MORE = 400;

/** The terminals looked at, the troubled ones first, and more of them on demand. */
export function TerminalRows({ view, asked, onAsk, query }: Asking & { view: TerminalsView; query: string }) {
  const { terminals, meant } = view;
  const sought = asked.find?.trim() ?? '';
  if (meant === 0)
    return (
      <p className="quiet mt-2">
        {sought === '' ? 'None has any trouble.' : `No terminal and no store is called “${sought}”.`}
      </p>
    );
  const shown = Number(asked.most ?? TERMINALS_SHOWN);
  return (
    <>
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
          {terminals.map((row) => (
            <Row key={row.terminal} row={row} query={query} />
          ))}
        </tbody>
      </table>
      {meant > terminals.length ? (
        <p className="mt-2">
          {saidCount(terminals.length)} of {saidCount(meant)} are shown.{' '}
          <button
            type="button"
            className="link"
            onClick={() => onAsk({ ...asked, most: String(shown + MORE) })}
          >
            Show {saidCount(Math.min(MORE, meant - terminals.length))} more
          </button>
        </p>
      ) : null}
    </>
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
  if (seconds < 86_400) return `${Math.floor(seconds / 3600)} h`;
  const days = Math.floor(seconds / 86_400);
  return days === 1 ? '1 day' : `${saidCount(days)} days`;
}
