import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, type PriceBeside, type RungView } from '../../contracts/view/index.ts';
import { priceFileWords, senderWords } from '../../ui/words/index.ts';
import { saidAmount, saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { basketAddress, NO_EXTRAS } from '../basket/index.ts';

/** So far off a clock rings the prices of another moment. */
const CLOCK_OFF_BY = 30_000;

/** Which price file the till held, and where that came from. */
export function HeldWords({ rung, view }: { rung: RungView; view: LensView }) {
  const { held } = rung;
  const moment = (instant: string) => shortMoment(timeIn(rung.store.timeZone, instant), view.now);
  if (!held) return <p>Nothing that this till said by then is on record, so nobody can say what it held.</p>;
  const { number, since, problem, clockSkew, sent } = held;
  const off = clockSkew !== null && Math.abs(clockSkew) > CLOCK_OFF_BY ? clockSkew : null;
  return (
    <section>
      <h3 className="hairline border-b pb-1 text-lg">What it held</h3>
      <p className="mt-2">
        {number === null ? 'No price file yet' : `It held ${priceFileWords(number)}`}, as it said{' '}
        {moment(since)}.
      </p>
      {sent ? (
        <p>
          Sent by {senderWords(sent.by)}, {moment(sent.at)}
          {sent.goodUntil ? `, good until ${moment(sent.goodUntil)}` : ''}.
        </p>
      ) : null}
      {problem ? <p className="text-error">It said: {problem}.</p> : null}
      {off === null ? null : (
        <p className="text-error">
          Its clock was {saidCount(Math.round(Math.abs(off) / 60_000))} minutes {off > 0 ? 'fast' : 'slow'}:
          it may have rung what counts at that hour.
        </p>
      )}
      <p className="mt-1">
        <a
          className="link"
          href={`/send/terminal/${idInAddress(rung.terminal)}${lensQuery({ ...view.lens, at: null })}`}
        >
          The whole story of {rung.terminal}
        </a>
      </p>
      {number === null ? null : (
        <p className="mt-1">
          <a className="link" href={basketPath(rung, view)}>
            Ring a whole basket by it
          </a>
          , where a deal takes more than one.
        </p>
      )}
    </section>
  );
}

const basketPath = ({ store, at, terminal, story }: RungView, view: LensView): string => {
  const lines = story ? [{ sku: story.item.sku, quantity: '1' }] : [];
  return basketAddress({ ...view.lens, where: store.id, at }, { lines, extras: NO_EXTRAS, till: terminal });
};

/** What the plan said of the same moment, then and now. */
export function Beside({ rung, query }: { rung: RungView; query: string }) {
  const { story, known, now, moment, store } = rung;
  const at = { where: store.id, at: rung.at, shopper: null };
  const item = story?.item.sku;
  const path = (more: { known?: string }) =>
    `/check/price${lensQuery({ ...at, ...more }, item ? { item } : {})}`;
  const rows = [
    { name: 'Rung by the till', price: story, href: null },
    { name: 'The plan, as known then', price: known, href: path({ known: moment }) },
    { name: 'The plan, as known now', price: now, href: path({}) },
  ];
  return (
    <section className="mt-6">
      <h3 className="hairline border-b pb-1 text-lg">Beside the plan</h3>
      <table className="rows mt-1">
        <thead>
          <tr>
            <th>By</th>
            <th className="figure">Price</th>
            <th>Through</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, price, href }) => (
            <tr key={name}>
              <th scope="row" className="font-normal">
                {href ? (
                  <a className="link" href={href}>
                    {name}
                  </a>
                ) : (
                  name
                )}
              </th>
              <td className="figure font-medium">{amountOf(price)}</td>
              <td className="text-sm">
                <Through
                  beside={price && ('winner' in price ? { ...price, promotion: price.winner } : price)}
                  query={query}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2">{judged(story, known)}</p>
    </section>
  );
}

const amountOf = (price: { readonly price: string | null } | null): string =>
  price === null ? 'not known' : price.price === null ? 'not sold' : saidAmount(price.price);

function Through({ beside, query }: { beside: PriceBeside | null; query: string }) {
  if (!beside) return null;
  if (!beside.promotion) return <span className="quiet">no promotion</span>;
  return (
    <a className="hover:underline" href={`/plan/${idInAddress(beside.promotion.id)}${query}`}>
      {beside.promotion.name}
    </a>
  );
}

/** The sentence that whoever complains is told. */
function judged(rung: { readonly price: string | null } | null, known: PriceBeside | null): string {
  if (!rung || !known) return 'There is nothing on record to hold it against.';
  return rung.price === known.price
    ? 'The till rang what the plan said at that moment.'
    : 'The till rang another price than the plan said at that moment: what was planned had not been sent to it, or had not come.';
}
