import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { FoundShopper, FoundShoppers } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { ask, refusalWords, useDoing, WithServer } from '../server/index.ts';
import { NewShopper } from './new-shopper.tsx';
import { calledWords, kindWords } from './shopper-words.ts';

interface Props {
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  /** The lens, as an address says it. */
  readonly query: string;
}

/** Looks somebody up by name, number or card, or makes them known. */
export function FindShoppersDesk(props: Props) {
  return (
    <WithServer>
      <FindShoppers {...props} />
    </WithServer>
  );
}

function FindShoppers({ groups, query }: Props) {
  const [text, setText] = useState('');
  const [found, setFound] = useState<(FoundShoppers & { asked: string }) | null>(null);
  const { busy, refusal, doing } = useDoing(['shoppers']);
  const look = (asked: string) =>
    doing(async () => {
      const answer = await ask<FoundShoppers>('/api/shoppers/find', {
        method: 'POST',
        body: { text: asked },
      });
      setFound({ ...answer, asked });
      return '';
    });
  return (
    <section aria-label="Look somebody up" className="mt-4 text-sm">
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() !== '') look(text.trim());
        }}
      >
        <label className="block">
          A name, a number or a card
          <input
            className="input input-sm mt-0.5 block w-64"
            value={text}
            autoComplete="off"
            spellCheck={false}
            onChange={({ target }) => setText(target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={busy}>
          Look them up
        </button>
      </form>
      {refusal ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
      {found ? <Found found={found} query={query} /> : null}
      <NewShopper groups={groups} query={query} />
    </section>
  );
}

function Found({
  found: { found, more, asked },
  query,
}: {
  found: FoundShoppers & { asked: string };
  query: string;
}) {
  if (found.length === 0)
    return (
      <p className="mt-2" role="status">
        Nobody by “{asked}”. Of a card, all digits are needed.
      </p>
    );
  return (
    <div className="mt-2">
      <p className="sr-only" role="status">
        {saidCount(found.length)} found
      </p>
      <ShopperRows shoppers={found} query={query} />
      {more ? <p className="quiet mt-1">There are more. Say more of the name.</p> : null}
    </div>
  );
}

/** People and accounts, a line each. */
export function ShopperRows({ shoppers, query }: { shoppers: readonly FoundShopper[]; query: string }) {
  return (
    <ul className="max-w-3xl">
      {shoppers.map((one) => (
        <li key={one.id} className="hairline flex flex-wrap items-baseline gap-x-5 border-b py-1.5">
          <a
            className="font-medium hover:underline"
            href={`/stockroom/shopper/${idInAddress(one.id)}${query}`}
          >
            {calledWords(one)}
          </a>
          <span className="quiet">{kindWords(one)}</span>
          <span className="quiet ml-auto tabular-nums">number {one.id}</span>
        </li>
      ))}
    </ul>
  );
}
