import { idInAddress } from '../../contracts/index.ts';
import { type ComparedView, type LensView, lensQuery, type OutlookView } from '../../contracts/view/index.ts';
import { saidCount, saidTimes, shortMoment } from '../../ui/writing/index.ts';
import { saidEstimate } from './compared.tsx';

/** In a sentence: what it brings in all, from where on it earns, and the last time. */
export function OutlookSum({ outlook, view }: { outlook: OutlookView; view: LensView }) {
  const { whole, days, currency, breakEven, withoutCost, stores, last } = outlook;
  if (days.length === 0 || whole.without.units === 0)
    return <p className="quiet mt-3">None of its stores sells any of its goods while it runs.</p>;
  const margins = whole.with.margin !== null;
  const net = margins ? earned(whole) - Number(whole.others.margin) : null;
  return (
    <div className="mb-3">
      <p className="mt-3 text-lg">
        In {saidCount(days.length)} {days.length === 1 ? 'day' : 'days'} it {takes(whole, currency)}
        {net === null ? '' : `, and ${earnedWords(net, currency)}`}
        {net !== null && Number(whole.others.margin) !== 0
          ? `, counting ${saidEstimate(whole.others.margin!)} ${currency} that other goods of the group lose`
          : ''}
        .
      </p>
      <p className="quiet text-sm">
        {margins ? breakEvenWords(breakEven) : ''}
        {withoutCost > 0
          ? ` ${saidCount(withoutCost)} of its goods have no cost: their margin is left out.`
          : ''}
        {stores.looked < stores.of
          ? ` Worked out in ${saidCount(stores.looked)} of ${saidCount(stores.of)} stores, for all of them.`
          : ''}
      </p>
      {last ? (
        <p className="mt-1 text-sm">
          Last time:{' '}
          <a className="link" href={`/plan/${idInAddress(last.id)}${lensQuery(view.lens)}`}>
            {last.name}
          </a>
          , {shortMoment(last.from, view.now)} to {shortMoment(last.to, view.now)}. By the same assumptions it{' '}
          {takes(last.whole, currency)} in {saidCount(last.days)} {last.days === 1 ? 'day' : 'days'}
          {margins ? ` and ${earnedWords(earned(last.whole), currency)}` : ''}.{goodsWords(last.goods)}
        </p>
      ) : (
        <p className="quiet mt-1 text-sm">
          No promotion of this kind about mostly these goods ran before it.
        </p>
      )}
    </div>
  );
}

const earned = ({ without, with: during }: ComparedView): number =>
  Number(during.margin) - Number(without.margin);
function takes({ without, with: during }: ComparedView, currency: string): string {
  const more = Number(during.takings) - Number(without.takings);
  return `takes ${saidEstimate(during.takings)} ${currency}, ${saidEstimate(Math.abs(more))} ${more < 0 ? 'less' : 'more'} than without it`;
}

const earnedWords = (more: number, currency: string): string =>
  `earns ${saidEstimate(Math.abs(more))} ${currency} ${more < 0 ? 'less' : 'more'}`;

const breakEvenWords = (breakEven: number | null): string =>
  breakEven === null
    ? 'No number of units earns as much as without it.'
    : `It earns as much as without it where ${saidTimes(breakEven)} as many of its goods are sold.`;

function goodsWords({ added, gone }: NonNullable<OutlookView['last']>['goods']): string {
  const words = [
    added > 0 ? `${saidCount(added)} are new` : '',
    gone > 0 ? `${saidCount(gone)} are no part of it now` : '',
  ];
  const said = words.filter(Boolean).join(', ');
  return said ? ` Of its goods ${said}.` : ' It was about the same goods.';
}
