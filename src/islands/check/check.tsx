import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import {
  type Around,
  type LensView,
  lensQuery,
  type PriceAcross,
  type PriceStory,
} from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidAmount, shortMoment } from '../../ui/writing/index.ts';
import { ask, refusalOf, WithServer } from '../server/index.ts';
import { Across } from './across.tsx';
import { Deals } from './deals.tsx';
import { ItemSearch } from './item-search.tsx';
import { Lost } from './lost.tsx';
import { Steps } from './steps.tsx';
import { Why } from './why.tsx';

export function Check({ view, item }: { view: LensView; item: string | null }) {
  return (
    <WithServer>
      <Question view={view} first={item} />
    </WithServer>
  );
}

/** One item, seen through the lens: its price, why, what lost, what comes next, and other stores. */
function Question({ view, first }: { view: LensView; first: string | null }) {
  const [item, setItem] = useState(first);
  useEffect(() => {
    const here = `/check/price${lensQuery(view.lens, item ? { item } : {})}`;
    if (location.pathname + location.search !== here) history.replaceState(null, '', here);
  }, [item, view.lens]);
  const [around, setAround] = useState<Around>('week');
  const asked = new URLSearchParams({ store: view.store.id, at: view.at, around, ...(item ? { item } : {}) });
  if (view.lens.shopper) asked.set('group', view.lens.shopper);
  if (view.lens.known) asked.set('known', view.lens.known);
  const story = useQuery({
    queryKey: ['price', asked.toString()],
    queryFn: ({ signal }) => ask<PriceStory>(`/api/price?${asked}`, undefined, signal),
    enabled: item !== null,
    placeholderData: (before) => (before?.item.sku === item ? before : undefined),
  });
  const across = useAcross(view, item);
  return (
    <>
      <div className="mt-4">
        <ItemSearch known={view.lens.known} onPick={setItem} startOpen={item === null} />
      </div>
      {item === null ? <Beginning onPick={setItem} /> : null}
      {story.error ? (
        <Notice tone="trouble" className="mt-6">
          {refusalOf(story.error).message}{' '}
          {refusalOf(story.error)
            .faults.map(({ message }) => message)
            .join('; ')}
        </Notice>
      ) : null}
      {item !== null && story.isPending && !story.error ? (
        <p className="quiet mt-6" role="status">
          Working it out …
        </p>
      ) : null}
      {item !== null && story.data ? (
        <div className="mt-6 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
          <div>
            <p className="quiet text-sm">
              <a
                className="link"
                href={`/stockroom/item/${idInAddress(story.data.item.sku)}${lensQuery(view.lens)}`}
              >
                {story.data.item.sku}
              </a>
              {story.data.item.gtin ? ` · ${story.data.item.gtin}` : ''} · in {story.data.store.name},{' '}
              {shortMoment(story.data.at, view.now)},{' '}
              {view.shopper ? `to ${view.shopper.name}` : 'to a guest'}
            </p>
            <Why story={story.data} query={lensQuery(view.lens)} />
            <Next story={story.data} view={view} />
            <Deals story={story.data} query={lensQuery(view.lens)} />
            <Lost story={story.data} query={lensQuery(view.lens)} />
          </div>
          <div>
            <Steps story={story.data} view={view} item={item} around={around} onAround={setAround} />
            {across.data ? <Across across={across.data} view={view} item={item} /> : null}
          </div>
        </div>
      ) : null}
    </>
  );
}

/** When this price ends, and what comes then. */
function Next({ story: { next }, view }: { story: PriceStory; view: LensView }) {
  if (!next) return <p className="mt-3">It stays so for more than a year, as the plan stands.</p>;
  return (
    <p className="mt-3">
      Next change: {shortMoment(next.from, view.now)},{' '}
      {next.price === null ? (
        'then it is not sold'
      ) : (
        <strong className="font-medium">{saidAmount(next.price)}</strong>
      )}
      {next.promotion ? (
        <>
          {' '}
          through{' '}
          <a className="link" href={`/plan/${idInAddress(next.promotion.id)}${lensQuery(view.lens)}`}>
            {next.promotion.name}
          </a>
        </>
      ) : next.price === null ? (
        ''
      ) : (
        ', with no promotion'
      )}
      .
    </p>
  );
}

/** The same question to the stores of the lens's group, or to all. */
function useAcross(view: LensView, item: string | null) {
  const asked = new URLSearchParams({ at: view.at.slice(0, 16), ...(item ? { item } : {}) });
  if (view.lens.shopper) asked.set('group', view.lens.shopper);
  if (view.lens.known) asked.set('known', view.lens.known);
  if (view.group) asked.set('stores', view.group.stores.join(','));
  return useQuery({
    queryKey: ['across', asked.toString()],
    queryFn: ({ signal }) => ask<PriceAcross>(`/api/price/across?${asked}`, undefined, signal),
    enabled: item !== null,
  });
}

/** Before anything was asked: some goods to begin with. */
function Beginning({ onPick }: { onPick: (sku: string) => void }) {
  const { data = [] } = useQuery({
    queryKey: ['items', ''],
    queryFn: () => ask<{ sku: string; name: string }[]>('/api/items?q=sun'),
  });
  return (
    <div className="mt-6">
      <p className="quiet">
        Scan or type a barcode, a SKU or a few words of the name. Or begin with one of these:
      </p>
      <ul className="mt-2">
        {data.slice(0, 6).map(({ sku, name }) => (
          <li key={sku}>
            <button type="button" className="link py-0.5" onClick={() => onPick(sku)}>
              {name}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
