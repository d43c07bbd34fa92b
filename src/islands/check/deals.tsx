import { idInAddress } from '../../contracts/index.ts';
import type { PriceStory } from '../../contracts/view/index.ts';
import { LOST_REASON_WORDS } from '../../ui/words/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';

/** Every deal that takes the item in, live or not and why, and what one, two, three … of it come to. */
export function Deals({ story, query }: { story: PriceStory; query: string }) {
  const live = story.deals.filter(({ reason }) => reason === null);
  const others = story.deals.filter(({ reason }) => reason !== null);
  return (
    <section className="mt-8" aria-label="Deals with this item">
      <h3 className="font-semibold text-sm">Deals with this item</h3>
      {live.length === 0 ? (
        <p className="quiet mt-1">
          {others.length === 0 ? 'No deal takes it in.' : 'None of them counts here and now.'}
        </p>
      ) : null}
      <ul className="mt-1">
        {live.map(({ id, name, sentence }) => (
          <li key={id} className="hairline border-b py-2 first:border-t">
            <a className="link font-medium" href={`/plan/${idInAddress(id)}${query}`}>
              {name}
            </a>
            <span className="quiet block text-sm">{sentence}</span>
          </li>
        ))}
      </ul>
      {story.ladder.length > 0 ? <Ladder story={story} /> : null}
      {others.length > 0 ? <NotNow deals={others} query={query} open={live.length === 0} /> : null}
    </section>
  );
}

/** Steps at which nothing new happens say only their figures. */
function Ladder({ story: { ladder, item, currency } }: { story: PriceStory }) {
  const unit = item.unit === 'each' ? '' : ` ${item.unit}`;
  return (
    <table className="rows mt-3" data-testid="ladder">
      <caption className="quiet text-left text-sm">
        What so many of it come to, with nothing else in the basket
      </caption>
      <thead>
        <tr>
          <th className="figure">How many</th>
          <th className="figure">To pay, {currency}</th>
          <th className="figure">Each</th>
          <th>Through</th>
        </tr>
      </thead>
      <tbody>
        {ladder.map(({ quantity, goods, each, deals }) => (
          <tr key={quantity}>
            <td className="figure">
              {saidAmount(String(quantity))}
              {unit}
            </td>
            <td className="figure font-medium">{saidAmount(goods)}</td>
            <td className="figure">{saidAmount(each)}</td>
            <td className="text-sm">
              {deals.length === 0 ? (
                <span className="quiet">the price on the tag</span>
              ) : (
                deals.map(({ name }) => name).join(', ')
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function NotNow({ deals, query, open }: { deals: PriceStory['deals']; query: string; open: boolean }) {
  return (
    <details className="mt-2" open={open && deals.length <= 6}>
      <summary className="link py-1 text-sm">
        {deals.length} that {deals.length === 1 ? 'does' : 'do'} not count here and now
      </summary>
      <table className="rows">
        <caption className="sr-only">Deals that do not count</caption>
        <thead>
          <tr>
            <th>Deal</th>
            <th>Why not</th>
          </tr>
        </thead>
        <tbody>
          {deals.map(({ id, name, reason }) => (
            <tr key={id}>
              <td>
                <a className="hover:underline" href={`/plan/${idInAddress(id)}${query}`}>
                  {name}
                </a>
              </td>
              <td className="text-sm">{reason ? LOST_REASON_WORDS[reason] : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
