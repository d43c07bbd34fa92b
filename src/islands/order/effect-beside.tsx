import { useQuery } from '@tanstack/react-query';
import type { StandingChange } from '../../contracts/index.ts';
import type { LensView, StandingEffect } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, refusalOf, useResting } from '../server/index.ts';
import { BasketEffect, PriceEffect } from './effect.tsx';

const TYPING = 400;

/** What the changes would do to the prices of the weeks ahead and to the baskets that are kept. */
export function EffectBeside({ changes, view }: { changes: readonly StandingChange[]; view: LensView }) {
  const resting = useResting(changes, TYPING);
  const { data, error, isFetching } = useQuery({
    queryKey: ['standing', resting],
    queryFn: ({ signal }) =>
      ask<StandingEffect>(
        '/api/promotions/standing',
        { method: 'POST', body: { changes: resting, dry: true } },
        signal,
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  if (error)
    return (
      <Notice tone="trouble" className="mt-3">
        {refusalOf(error).message}{' '}
        {refusalOf(error)
          .faults.map(({ message }) => message)
          .join('; ')}
      </Notice>
    );
  if (!data)
    return (
      <p className="quiet mt-2 text-sm" role="status">
        Working out the prices of the next four weeks …
      </p>
    );
  return (
    <section aria-label="What it would do to prices" aria-busy={isFetching} className="mt-2">
      <PriceEffect prices={data.prices} view={view} />
      <BasketEffect baskets={data.baskets} view={view} />
      {data.promotions.some(({ waits }) => waits) ? (
        <p className="quiet mt-2 text-sm">
          What is approved stays as it is until the change of it is approved.
        </p>
      ) : null}
    </section>
  );
}
