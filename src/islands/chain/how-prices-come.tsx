import { useQuery } from '@tanstack/react-query';
import type { ChainChanged, ChainView, LensView } from '../../contracts/view/index.ts';
import { FaultField, KeptField, Notice } from '../../ui/pieces/index.ts';
import { BasketEffect, PriceEffect } from '../order/effect.tsx';
import { shareOf } from '../sentence/typed-numbers.ts';
import { ask, refusalOf } from '../server/index.ts';
import { bodyOf, useChainDesk } from './use-chain-desk.ts';

const WINS = {
  priority: 'The one that comes first in the order of priorities',
  lowest: 'The one that makes the lowest price',
} as const;
const SHARES = {
  best: 'What saves the shopper most in all',
  priority: 'One deal after another, in the order of priorities',
} as const;

/** The chain's name, and how the prices of all of it come about; what another choice would do stands below. */
export function HowPricesCome({ chain, view }: { chain: ChainView; view: LensView }) {
  const { kept, draft, dirty, round, refusal, said, busy, typed, save, leave } = useChainDesk(chain);
  return (
    <form
      aria-labelledby="prices-come"
      className="space-y-4 text-sm"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <h2 id="prices-come" className="text-xl">
        How prices come about
      </h2>
      <FaultField
        label="Name of the chain"
        inputMode="text"
        value={draft.name}
        fault={draft.name.trim() === '' ? 'a name is wanted' : null}
        onChange={(name) => typed({ name })}
      />
      <p>All amounts are in {draft.currency}.</p>
      <Choice
        legend="Where several price changes are about one item, this one counts"
        words={WINS}
        chosen={draft.priceChanges}
        onChoose={(priceChanges) => typed({ priceChanges })}
      />
      <Choice
        legend="Where several deals want the same goods of a basket, this counts"
        words={SHARES}
        chosen={draft.baskets}
        onChoose={(baskets) => typed({ baskets })}
      />
      <div className="max-w-60">
        <KeptField
          key={`${kept.planVersion} ${round}`}
          label="Margin below which you are warned, in %"
          text={draft.marginFloor === null ? '' : String(draft.marginFloor / 100)}
          reading={{ read: shareOf, wanted: 'a percentage up to 100, or nothing' }}
          optional
          onChange={(marginFloor) => typed({ marginFloor })}
        />
      </div>
      {dirty ? <Effect draft={draft} kept={kept} view={view} /> : null}
      {refusal ? (
        <Notice tone="trouble">
          {refusal.current ? 'Somebody changed the plan meanwhile. Look at it once more, then keep it.' : ''}
          {refusal.current
            ? null
            : refusal.faults.map(({ message }) => message).join('; ') || refusal.message}
        </Notice>
      ) : null}
      <p className="flex flex-wrap items-baseline gap-3">
        <button
          type="submit"
          className="btn btn-primary btn-sm"
          disabled={!dirty || busy || draft.name.trim() === ''}
        >
          Keep it
        </button>
        {dirty ? (
          <button type="button" className="btn btn-ghost btn-sm" onClick={leave}>
            Leave it as it was
          </button>
        ) : null}
        <span role="status">{said}</span>
      </p>
    </form>
  );
}

function Choice<K extends string>({
  legend,
  words,
  chosen,
  onChoose,
}: {
  legend: string;
  words: Readonly<Record<K, string>>;
  chosen: K;
  onChoose: (key: K) => void;
}) {
  return (
    <fieldset className="space-y-1.5">
      <legend className="mb-1">{legend}</legend>
      {(Object.keys(words) as K[]).map((key) => (
        <label key={key} className="flex items-start gap-2">
          <input
            type="radio"
            className="radio radio-sm mt-0.5"
            checked={chosen === key}
            onChange={() => onChoose(key)}
          />
          {words[key]}
        </label>
      ))}
    </fieldset>
  );
}

/** What the choice would do to the prices of the weeks ahead, before it is kept. */
function Effect({ draft, kept, view }: { draft: ChainView; kept: ChainView; view: LensView }) {
  const same = draft.priceChanges === kept.priceChanges && draft.baskets === kept.baskets;
  const body = { ...bodyOf({ ...draft, name: kept.name }, kept.planVersion), dry: true };
  const { data, error } = useQuery({
    queryKey: ['chain-effect', body.priceChanges, body.baskets, body.planVersion],
    queryFn: ({ signal }) => ask<ChainChanged>('/api/chain', { method: 'PUT', body }, signal),
    enabled: !same,
    retry: false,
  });
  if (same) return <p className="quiet">No price changes by that.</p>;
  if (error) return <Notice tone="trouble">{refusalOf(error).message}</Notice>;
  if (!data)
    return (
      <p className="quiet" role="status">
        Working out the prices of the next four weeks …
      </p>
    );
  if (!data.effect) return null;
  return (
    <section aria-label="What it would do to prices" className="hairline border-l-4 pl-3">
      <PriceEffect prices={data.effect.prices} view={view} />
      <BasketEffect baskets={data.effect.baskets} view={view} />
      <p className="quiet mt-2">
        It counts here as soon as it is kept, and at the tills with the next sending.
      </p>
    </section>
  );
}
