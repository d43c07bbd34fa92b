import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { LensView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { readersTime, saidCount, shortMoment } from '../../ui/writing/index.ts';
import { ask, refusalOf } from '../server/index.ts';

interface SigningKey {
  readonly id: string;
  readonly madeAt: string;
  readonly withdrawnAt: string | null;
}

interface Deed {
  /** What the button says. */
  readonly words: string;
  /** What it does, said before it is done. */
  readonly does: string;
  readonly go: string;
  readonly path: string;
  readonly body: object;
}

/** What can be done about price files themselves: whole ones sent anew, and the key that signs them. */
export function PriceFiles({ view, sends, rules }: { view: LensView; sends: boolean; rules: boolean }) {
  const keys = useQuery({
    queryKey: ['keys'],
    queryFn: () => ask<{ keys: SigningKey[] }>('/api/send/key'),
  });
  const { deed, setDeed, told, tone, busy, carryOut } = useDeed();
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
          {all.length > 1 ? `; before that: ${all.slice(1).map(keyWords).join('; ')}` : ''}.
        </p>
      ) : null}
      {deeds.length > 0 ? (
        <div className="mt-3 flex flex-wrap gap-2">
          {deeds.map((one) => (
            <button
              key={one.words}
              type="button"
              className="btn btn-sm"
              aria-expanded={deed?.words === one.words}
              disabled={busy}
              onClick={() => setDeed(deed?.words === one.words ? null : one)}
            >
              {one.words}
            </button>
          ))}
        </div>
      ) : null}
      {deed ? (
        <Notice tone="care" className="mt-3 max-w-3xl">
          <p>{deed.does}</p>
          <div className="mt-2 flex gap-2">
            <button type="button" className="btn btn-primary btn-sm" disabled={busy} onClick={carryOut}>
              {deed.go}
            </button>
            <button type="button" className="btn btn-sm" disabled={busy} onClick={() => setDeed(null)}>
              Leave it
            </button>
          </div>
        </Notice>
      ) : null}
      {told ? (
        <Notice tone={tone} className="mt-3">
          {told}
        </Notice>
      ) : null}
    </section>
  );
}

function useDeed() {
  const client = useQueryClient();
  const [deed, setDeed] = useState<Deed | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [tone, setTone] = useState<'trouble' | 'news'>('news');
  const [busy, setBusy] = useState(false);
  async function carryOut(): Promise<void> {
    if (!deed) return;
    setBusy(true);
    try {
      const { stores } = await ask<{ stores: number }>(deed.path, { method: 'POST', body: deed.body });
      setTone('news');
      setTold(
        `Sent to ${stores === 1 ? '1 store' : `${saidCount(stores)} stores`}. Their terminals take it by themselves.`,
      );
      setDeed(null);
    } catch (error) {
      setTone('trouble');
      setTold(refusalOf(error).message);
    }
    setBusy(false);
    await client.invalidateQueries();
  }
  return { deed, setDeed, told, tone, busy, carryOut };
}

/** @param stores null: all that were sent anything. */
const anewTo = (name: string, stores: readonly string[] | null): Deed => ({
  words: `Send anew to ${name}`,
  does: `Every terminal of ${name} gets once more, and whole, what it was sent last. Nothing that is new in the plan goes out by it.`,
  go: 'Send anew',
  path: '/api/send/anew',
  body: stores ? { stores } : {},
});

const anewIn = ({ group, store }: LensView): Deed[] => [
  group ? anewTo(group.name, group.stores) : anewTo(store.name, [store.id]),
  anewTo('all stores', null),
];

const NEW_KEY: Deed = {
  words: 'New key',
  does: 'Price files are signed with a new key from now on, which the one in use vouches for: terminals learn it by themselves. Every store is sent its last file, signed with it.',
  go: 'Make a new key',
  path: '/api/send/key',
  body: { lost: false },
};

const LOST_KEY: Deed = {
  words: 'The key was lost',
  does: 'As a new key; and terminals trust none of the keys before it any more, once they have learned of it. A terminal that is off learns of it when it is on again. Do this when somebody else may have the key.',
  go: 'Withdraw the keys before',
  path: '/api/send/key',
  body: { lost: true },
};

const momentOf = (instant: string): string => shortMoment(readersTime(instant), '');

const keyWords = ({ id, withdrawnAt }: SigningKey): string =>
  `${id}${withdrawnAt ? `, trusted no more since ${momentOf(withdrawnAt)}` : ''}`;
