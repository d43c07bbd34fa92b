import { idInAddress } from '../../contracts/index.ts';
import type { SendReview } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

export const WAYS = [
  { way: 'added', words: 'New' },
  { way: 'changed', words: 'Changed' },
  { way: 'gone', words: 'Taken back' },
] as const;

/** Each promotion that would go out, with how many stores it concerns; each can be held back. */
export function Promotions({
  review,
  busy,
  query,
  onHold,
}: {
  review: SendReview;
  /** Whether another review is on its way. */
  busy: boolean;
  query: string;
  /** Null: only to be read. */
  onHold: ((promotion: string) => void) | null;
}) {
  const rows = WAYS.flatMap(({ way, words }) =>
    Object.keys(review.sentences).flatMap((id) => {
      const stores = review.stores.filter(({ promotions }) => promotions[way].includes(id)).length;
      return stores === 0 ? [] : [{ id, words, stores }];
    }),
  );
  return (
    <Rows
      rows={rows}
      review={review}
      busy={busy}
      query={query}
      press={onHold && { words: 'Hold back', onPress: onHold }}
    />
  );
}

/** What stays as the terminals have it, whatever is sent, until it is let go. */
export function HeldBack({
  review,
  busy,
  query,
  onLetGo,
}: {
  review: SendReview;
  busy: boolean;
  query: string;
  onLetGo: ((promotion: string) => void) | null;
}) {
  if (review.held.length === 0) return null;
  return (
    <section className="mt-5">
      <h3 className="font-medium">Held back: the tills keep what they have of it</h3>
      <Rows
        rows={review.held.map(({ promotion, by, stores }) => ({ id: promotion, words: `by ${by}`, stores }))}
        review={review}
        busy={busy}
        query={query}
        press={onLetGo && { words: 'Let it go', onPress: onLetGo }}
      />
    </section>
  );
}

function Rows({
  rows,
  review,
  busy,
  query,
  press,
}: {
  rows: readonly { readonly id: string; readonly words: string; readonly stores: number }[];
  review: SendReview;
  busy: boolean;
  query: string;
  press: { readonly words: string; readonly onPress: (promotion: string) => void } | null;
}) {
  if (rows.length === 0) return null;
  return (
    <ul className="mt-3">
      {rows.map(({ id, words, stores }) => {
        const { name, sentence } = review.sentences[id] ?? { name: id, sentence: '' };
        return (
          <li
            key={`${id} ${words}`}
            className="hairline flex items-baseline gap-4 border-b py-2 first:border-t"
          >
            <span className="w-28 flex-none">{words}</span>
            <span className="flex-1">
              <a className="font-medium hover:underline" href={`/plan/${idInAddress(id)}${query}`}>
                {name}
              </a>
              <span className="quiet block text-sm">{sentence}</span>
            </span>
            <span className="whitespace-nowrap text-sm">{storesWords(stores)}</span>
            {press ? (
              <button
                type="button"
                className="btn btn-ghost btn-xs whitespace-nowrap"
                disabled={busy}
                onClick={() => press.onPress(id)}
              >
                {press.words}
                <span className="sr-only"> {name}</span>
              </button>
            ) : null}
          </li>
        );
      })}
    </ul>
  );
}

const storesWords = (count: number): string =>
  count === 0 ? 'nothing of it waits' : `${saidCount(count)} ${count === 1 ? 'store' : 'stores'}`;
