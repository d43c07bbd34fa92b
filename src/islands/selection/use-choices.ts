import { useQuery } from '@tanstack/react-query';
import type { Choices } from '../../contracts/view/index.ts';
import { ask } from '../server/index.ts';

/** All that a part of a sentence or a rule can be, read once a page. */
export const useChoices = () =>
  useQuery({
    queryKey: ['choices'],
    queryFn: () => ask<Choices>('/api/choices'),
    staleTime: 300_000,
  });
