import { useQuery } from '@tanstack/react-query';
import type { DealPreview, LensView, Preview } from '../../contracts/view/index.ts';
import type { TrialLine } from '../basket/index.ts';
import { type Draft, isDeal, NEW_DEAL, wholeOf } from '../draft/draft.ts';
import { ask, refusalOf, useResting } from '../server/index.ts';

const TYPING = 250;

/** What the draft would do, asked again whenever it rests for a moment. */
export function usePreview(draft: Draft, view: LensView, lines: readonly TrialLine[] | null) {
  const settled = useResting(draft, TYPING);
  const whole = wholeOf(settled);
  // A name is no matter of prices: a draft without one shows its consequences all the same.
  const promotion = whole && { ...whole, id: whole.id || NEW_DEAL, name: whole.name || 'This deal' };
  const deal = isDeal(settled);
  const asked = { promotion, store: view.store.id };
  const prices = useQuery({
    queryKey: ['preview', promotion, view.store.id],
    queryFn: ({ signal }) => ask<Preview>('/api/promotions/preview', { method: 'POST', body: asked }, signal),
    enabled: promotion !== null && !deal,
    placeholderData: (before) => before,
    retry: false,
  });
  const baskets = useQuery({
    queryKey: ['preview', promotion, view.store.id, lines],
    queryFn: ({ signal }) =>
      ask<DealPreview>(
        '/api/promotions/preview-deal',
        { method: 'POST', body: { ...asked, ...(lines ? { lines } : {}) } },
        signal,
      ),
    enabled: promotion !== null && deal,
    placeholderData: (before) => before,
    retry: false,
  });
  const query = deal ? baskets : prices;
  return {
    prices: (deal ? null : prices.data) ?? null,
    deal: (deal ? baskets.data : null) ?? null,
    asking: query.isFetching || settled !== draft,
    refusal: query.error ? refusalOf(query.error) : null,
    /** What was worked out; null: there is nothing whole to work out. */
    promotion,
  };
}

export type DraftPreview = ReturnType<typeof usePreview>;
