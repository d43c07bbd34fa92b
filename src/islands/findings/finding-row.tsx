import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, type PlanFinding } from '../../contracts/view/index.ts';
import { FINDING_WORDS } from '../../ui/words/index.ts';
import { saidAmount, saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { Accept, TakeBack } from './accept.tsx';
import { MendLinks } from './mend-links.tsx';

export interface RowProps {
  readonly finding: PlanFinding;
  readonly view: LensView;
  readonly currency: string;
  readonly plans: boolean;
  readonly onChanged: () => void;
}

/** One finding: what, in a sentence, from when to when, what it may cost, and what can be done about it. */
export function FindingRow({ finding, view, currency, plans, onChanged }: RowProps) {
  const [shows, setShows] = useState<'where' | 'accept' | null>(null);
  const { accepted } = finding;
  const query = lensQuery(view.lens);
  const toggle = (what: 'where' | 'accept') => setShows(shows === what ? null : what);
  return (
    <li className="hairline grid gap-x-6 border-b py-3 md:grid-cols-[13rem_minmax(0,1fr)_9rem]">
      <p className="font-medium">{FINDING_WORDS[finding.code]}</p>
      <div>
        <p>{finding.words}</p>
        <p className="quiet text-sm">{spanWords(finding, view)}</p>
        {accepted ? (
          <p className="text-sm">
            Accepted by {accepted.by}, {shortMoment(timeIn(view.store.timeZone, accepted.at), view.now)}:{' '}
            {accepted.reason}
          </p>
        ) : null}
        <p className="mt-1 flex flex-wrap gap-x-4 text-sm leading-7">
          {finding.promotions.map(({ id, name }) => (
            <a key={id} className="link" href={`/plan/${idInAddress(id)}${query}`}>
              Open {name}
            </a>
          ))}
          {plans && !accepted ? <MendLinks mends={finding.mends} view={view} /> : null}
          {finding.items.count > 0 || finding.lowest.length > 0 ? (
            <button
              type="button"
              className="link"
              aria-expanded={shows === 'where'}
              onClick={() => toggle('where')}
            >
              Goods and stores
            </button>
          ) : null}
          {plans && !accepted ? (
            <button
              type="button"
              className="link"
              aria-expanded={shows === 'accept'}
              onClick={() => toggle('accept')}
            >
              Accept it
            </button>
          ) : null}
          {plans && accepted ? <TakeBack finding={finding} onChanged={onChanged} /> : null}
        </p>
        {shows === 'where' ? <Where finding={finding} view={view} /> : null}
        {shows === 'accept' ? <Accept finding={finding} onChanged={onChanged} /> : null}
      </div>
      <p className="text-right text-sm">
        {finding.money === null ? null : (
          <>
            <b className="text-base tabular-nums">
              {saidAmount(finding.money)} {currency}
            </b>
            <span className="quiet block">
              {finding.code === 'worse-than-shelf' ? 'once in each store' : 'for one of each, in each store'}
            </span>
          </>
        )}
      </p>
    </li>
  );
}

function spanWords({ from, to, stores }: PlanFinding, view: LensView): string {
  const where = stores.count === 1 ? stores.some[0]!.name : `${saidCount(stores.count)} stores`;
  const runs = from <= view.now;
  if (to === null)
    return `${where}, ${runs ? 'now, and' : `from ${shortMoment(from, view.now)}`} with no end`;
  const end = shortMoment(to, view.now);
  return runs ? `${where}, now and until ${end}` : `${where}, from ${shortMoment(from, view.now)} to ${end}`;
}

/** The first of the goods and stores by name, each a way to the price there. */
function Where({ finding: { items, stores, lowest, from }, view }: Pick<RowProps, 'finding' | 'view'>) {
  const lens = { ...view.lens, at: from.slice(0, 16), where: stores.some[0]?.id ?? view.lens.where };
  return (
    <div className="bg-base-200 mt-2 px-3 py-2 text-sm">
      <p>
        {items.some.map(({ sku, name }, i) => (
          <span key={sku}>
            {i > 0 ? ', ' : ''}
            <a className="link" href={`/check/price${lensQuery(lens, { item: sku })}`}>
              {name}
            </a>
          </span>
        ))}
        {more(items)}
      </p>
      <p className="quiet mt-1">
        in {stores.some.map(({ name }) => name).join(', ')}
        {more(stores)}
      </p>
      {lowest.length > 0 ? (
        <ul className="mt-1">
          {lowest.map(({ amount, items: goods, stores: places }) => (
            <li key={`${amount} ${goods} ${places}`}>
              <b className="tabular-nums">{saidAmount(amount)}</b> was the lowest price of the 30 days before,
              for {goods === 1 ? 'one item' : `${saidCount(goods)} items`} in{' '}
              {places === 1 ? 'one store' : `${saidCount(places)} stores`}
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}

const more = ({ count, some }: { readonly count: number; readonly some: readonly unknown[] }): string =>
  count > some.length ? ` and ${saidCount(count - some.length)} more` : '';
