import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { TrialBasket } from '../../contracts/view/index.ts';
import { ask } from '../server/index.ts';

/** Rings a basket of the open format; null: nothing to ring. */
export const useRung = (basket: object | null) =>
  useQuery({
    queryKey: ['basket', basket],
    queryFn: ({ signal }) => ask<TrialBasket>('/api/basket', { method: 'POST', body: basket }, signal),
    enabled: basket !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
