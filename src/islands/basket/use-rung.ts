import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Lens, TrialBasket } from '../../contracts/view/index.ts';
import { ask } from '../server/index.ts';

/** Rings a basket of the open format; null: nothing to ring. */
export const useRung = (basket: object | null, { known }: Pick<Lens, 'known'>) =>
  useQuery({
    queryKey: ['basket', basket, known],
    queryFn: ({ signal }) => {
      const path = known ? `/api/basket?known=${encodeURIComponent(known)}` : '/api/basket';
      return ask<TrialBasket>(path, { method: 'POST', body: basket }, signal);
    },
    enabled: basket !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
