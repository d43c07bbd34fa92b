import { useState } from 'react';
import { type LensView, lensQuery, type SendReview, type StoreReview } from '../../contracts/view/index.ts';
import { laterPart, WhenUsed } from '../../ui/pieces/index.ts';
import { saidCount, zoneWords } from '../../ui/writing/index.ts';
import { HeldBack, Promotions, WAYS } from './review-promotions.tsx';
import { SendButton } from './send-button.tsx';
import { WrongWithIt } from './wrong-with-it.tsx';

const STORE_PRICES = laterPart(() => import('./store-prices.tsx').then(({ StorePrices }) => StorePrices));

/** What would go out: each promotion with how many stores it concerns, then store by store. */
export function Review({
  review,
  lens,
  sends,
  sending,
  comparing,
  onSend,
  onHold,
}: {
  review: SendReview;
  lens: LensView;
  sends: boolean;
  sending: boolean;
  /** Whether another review is on its way: this one cannot be sent. */
  comparing: boolean;
  onSend: (stores: readonly string[]) => void;
  onHold: (promotion: string, held: boolean) => void;
}) {
  const all = review.stores.map(({ store }) => store);
  const [left, setLeft] = useState<readonly string[]>([]);
  const chosen = all.filter((store) => !left.includes(store));
  const terminals = review.stores
    .filter(({ store }) => chosen.includes(store))
    .reduce((sum, one) => sum + one.terminals, 0);
  const query = lensQuery(lens.lens);
  const held = (
    <HeldBack
      review={review}
      busy={comparing}
      query={query}
      onLetGo={sends ? (id) => onHold(id, false) : null}
    />
  );
  if (all.length === 0)
    return (
      <>
        <p className="font-serif text-xl">
          {review.held.length > 0
            ? 'Nothing to send but what is held back.'
            : 'Nothing to send. Every store was sent the plan as it stands.'}
        </p>
        {held}
      </>
    );
  const toggle = (store: string) =>
    setLeft(left.includes(store) ? left.filter((one) => one !== store) : [...left, store]);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h2 className="text-xl">
          {all.length} {all.length === 1 ? 'store has' : 'stores have'} changes that were not sent
          {review.unchanged > 0 ? `; ${saidCount(review.unchanged)} have none` : ''}
        </h2>
        {sends ? (
          <SendButton
            {...{ stores: chosen.length, terminals, sending, comparing }}
            onSend={() => onSend(chosen)}
          />
        ) : (
          <p className="quiet ml-auto text-sm">Somebody with the role of an approver sends.</p>
        )}
      </div>
      <WrongWithIt review={review} lens={lens} />
      <Promotions
        review={review}
        busy={comparing}
        query={query}
        onHold={sends ? (id) => onHold(id, true) : null}
      />
      {held}
      <table className="rows mt-6">
        <caption className="sr-only">Stores to send to</caption>
        <thead>
          <tr>
            {sends ? (
              <th className="w-8">
                <input
                  type="checkbox"
                  className="checkbox"
                  aria-label="All stores"
                  checked={left.length === 0}
                  onChange={() => setLeft(left.length === 0 ? all : [])}
                />
              </th>
            ) : null}
            <th>Store</th>
            <th>What changes</th>
            <th className="figure max-sm:hidden">Prices</th>
            <th className="figure max-sm:hidden">Terminals</th>
            <th>
              <span className="sr-only">Its prices</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {review.stores.map((store) => (
            <Row
              key={store.store}
              store={store}
              review={review}
              near={lens.at}
              toggle={sends ? () => toggle(store.store) : null}
              chosen={!left.includes(store.store)}
            />
          ))}
        </tbody>
      </table>
    </>
  );
}

function Row({
  store,
  review,
  chosen,
  toggle,
  near,
}: {
  store: StoreReview;
  review: SendReview;
  chosen: boolean;
  /** Null: only to be read. */
  toggle: (() => void) | null;
  /** The day that is looked at: its year is not named. */
  near: string;
}) {
  const [open, setOpen] = useState(false);
  const { promotions, prices, first, other, named } = store;
  const words = WAYS.flatMap(({ way, words: word }) =>
    promotions[way].length === 0
      ? []
      : [
          `${word.toLowerCase()}: ${promotions[way].map((id) => review.sentences[id]?.name ?? id).join(', ')}`,
        ],
  );
  const what = [
    first ? 'its first price file' : '',
    ...(first ? [] : words),
    !first && other ? namedWords(named) : '',
  ]
    .filter(Boolean)
    .join('; ');
  const count = prices.added + prices.changed + prices.gone;
  const row = (
    <tr>
      {toggle ? (
        <td>
          <input
            type="checkbox"
            className="checkbox"
            aria-label={store.name}
            checked={chosen}
            onChange={toggle}
          />
        </td>
      ) : null}
      <td className="whitespace-nowrap max-sm:whitespace-normal">
        {store.name} <span className="quiet text-sm">{zoneWords(store.timeZone)}</span>
      </td>
      <td className="text-sm">{what}</td>
      <td className="figure max-sm:hidden">{count === 0 ? '' : `${saidCount(count)} items`}</td>
      <td className="figure max-sm:hidden">{store.terminals}</td>
      <td>
        <button
          type="button"
          className="btn btn-ghost btn-xs whitespace-nowrap"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? 'Close' : 'Its prices'}
          <span className="sr-only"> of {store.name}</span>
        </button>
      </td>
    </tr>
  );
  if (!open) return row;
  return (
    <>
      {row}
      <tr>
        <td colSpan={toggle ? 6 : 5}>
          <WhenUsed part={STORE_PRICES} given={{ store: store.store, name: store.name, near }} />
        </td>
      </tr>
    </>
  );
}

/** A rule that selects others by itself, or was changed: each by name where that is known, some of many. */
const namedWords = (named: readonly string[]): string =>
  named.length === 0
    ? 'groups, lists or sets'
    : named.length > 4
      ? `${named.slice(0, 3).join(', ')} and ${saidCount(named.length - 3)} more`
      : named.join(', ');
