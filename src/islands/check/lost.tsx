import { idInAddress } from '../../contracts/index.ts';
import type { PriceStory } from '../../contracts/view/index.ts';
import { LOST_REASON_WORDS } from '../../ui/words/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';

const SHOWN_FIRST = 6;

/** What concerns the item and did not set its price. What came closest stands first. */
export function Lost({ story, query }: { story: PriceStory; query: string }) {
  if (story.problem) return null;
  const rows = story.lost.map(({ id, name, reason, result }) => (
    <tr key={id}>
      <td>
        <a className="hover:underline" href={`/plan/${idInAddress(id)}${query}`}>
          {name}
        </a>
      </td>
      <td className="text-sm">{LOST_REASON_WORDS[reason]}</td>
      <td className="figure">{saidAmount(result ?? '')}</td>
    </tr>
  ));
  return (
    <section className="mt-8">
      <h3 className="font-semibold text-sm">What lost</h3>
      {rows.length === 0 ? (
        <p className="quiet mt-1">Nothing else in the plan concerns this item.</p>
      ) : (
        <table className="rows mt-1">
          <thead>
            <tr>
              <th>Price change</th>
              <th>Why not</th>
              <th className="figure">Would be</th>
            </tr>
          </thead>
          <tbody>{rows.slice(0, SHOWN_FIRST)}</tbody>
        </table>
      )}
      {rows.length > SHOWN_FIRST ? (
        <details>
          <summary className="link py-1 text-sm">{rows.length - SHOWN_FIRST} more, further off</summary>
          <table className="rows">
            <caption className="sr-only">More that lost</caption>
            <tbody>{rows.slice(SHOWN_FIRST)}</tbody>
          </table>
        </details>
      ) : null}
    </section>
  );
}
