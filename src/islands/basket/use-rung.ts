import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Lens, TrialBasket } from '../../contracts/view/index.ts';
import { ask } from '../server/index.ts';

/** Rings a basket of the open format; null: nothing to ring. */
export const useRung = (basket: object | null, { known }: Pick<Lens, 'known'>, till?: string) =>
  useQuery({
    queryKey: ['basket', basket, known, till],
    queryFn: ({ signal }) => {
      const by = new URLSearchParams(till ? { till } : known ? { known } : {});
      return ask<TrialBasket>(`/api/basket?${by}`, { method: 'POST', body: basket }, signal);
    },
    enabled: basket !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
