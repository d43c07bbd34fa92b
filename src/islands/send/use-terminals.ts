import { useQuery } from '@tanstack/react-query';
import type { TerminalsView } from '../../contracts/view/index.ts';
import { ask } from '../server/index.ts';

const WATCHING = 2_000;
const AT_REST = 10_000;

/** The terminals, asked again and again; faster while a rollout is under way. */
export const useTerminals = (underWay: boolean) =>
  useQuery({
    queryKey: ['terminals'],
    queryFn: () => ask<TerminalsView>('/api/send/terminals'),
    refetchInterval: underWay ? WATCHING : AT_REST,
  });
