import { useQuery } from '@tanstack/react-query';
import type { LensView } from '../../contracts/view/index.ts';
import { saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask } from '../server/index.ts';
import { type Deed, Deeds } from './deeds.tsx';

interface SigningKey {
  readonly id: string;
  readonly madeAt: string;
  readonly withdrawnAt: string | null;
}

/** What can be done about price files themselves: whole ones sent anew, and the key that signs them. */
export function PriceFiles({ view, sends, rules }: { view: LensView; sends: boolean; rules: boolean }) {
  const keys = useQuery({
    queryKey: ['keys'],
    queryFn: () => ask<{ keys: SigningKey[] }>('/api/send/key'),
  });
  const momentOf = (instant: string) => shortMoment(timeIn(view.store.timeZone, instant), view.now);
  const all = keys.data?.keys ?? [];
  const [newest] = all;
  const deeds = [...(sends ? anewIn(view) : []), ...(rules ? [NEW_KEY, LOST_KEY] : [])];
  return (
    <section className="mt-10" aria-label="Price files">
      <h2 className="text-xl">Price files</h2>
      <p className="quiet mt-1 max-w-3xl">
        A terminal takes a price file only with our signature, for its own store, newer than what it holds. It
        is sent what has changed; where that does not fit it asks for the whole. A file is good for 14 days
        and is renewed by itself before that.
      </p>
      {newest ? (
        <p className="mt-2">
          Signed with key <code>{newest.id}</code> since {momentOf(newest.madeAt)}
          {all.length > 1
            ? `; before that: ${all
                .slice(1)
                .map((key) => keyWords(key, momentOf))
                .join('; ')}`
            : ''}
          .
        </p>
      ) : null}
      <Deeds deeds={deeds} />
    </section>
  );
}

const sentTo = ({ stores }: { stores: number }) =>
  `Sent to ${stores === 1 ? '1 store' : `${saidCount(stores)} stores`}. Their terminals take it by themselves.`;

/** @param stores null: all that were sent anything. */
const anewTo = (name: string, stores: readonly string[] | null): Deed => ({
  words: `Send anew to ${name}`,
  first: {
    does: `Every terminal of ${name} gets once more, and whole, what it was sent last. Nothing that is new in the plan goes out by it.`,
    go: 'Send anew',
  },
  path: '/api/send/anew',
  body: stores ? { stores } : {},
  told: sentTo,
});

const anewIn = ({ group, store }: LensView): Deed[] => [
  group ? anewTo(group.name, group.stores) : anewTo(store.name, [store.id]),
  anewTo('all stores', null),
];

const NEW_KEY: Deed = {
  words: 'New key',
  first: {
    does: 'Price files are signed with a new key from now on, which the one in use vouches for: terminals learn it by themselves. Every store is sent its last file, signed with it.',
    go: 'Make a new key',
  },
  path: '/api/send/key',
  body: { lost: false },
  told: sentTo,
};

const LOST_KEY: Deed = {
  words: 'The key was lost',
  first: {
    does: 'As a new key; and terminals trust none of the keys before it any more, once they have learned of it. A terminal that is off learns of it when it is on again. Do this when somebody else may have the key.',
    go: 'Withdraw the keys before',
  },
  path: '/api/send/key',
  body: { lost: true },
  told: sentTo,
};

const keyWords = ({ id, withdrawnAt }: SigningKey, momentOf: (instant: string) => string): string =>
  `${id}${withdrawnAt ? `, trusted no more since ${momentOf(withdrawnAt)}` : ''}`;
