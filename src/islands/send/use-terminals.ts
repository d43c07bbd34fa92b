import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { TerminalsRequest } from '../../contracts/index.ts';
import type { TerminalsView } from '../../contracts/view/index.ts';
import { ask } from '../server/index.ts';

/** Silence is told by nobody: it is looked for. */
const AT_REST = 15_000;

/** The terminals that are asked for, looked at again as soon as something became of any of them. */
export function useTerminals(asked: TerminalsRequest) {
  const client = useQueryClient();
  useEffect(() => {
    const stream = new EventSource('/api/send/stream');
    const again = (...keys: string[]) => {
      for (const key of keys) void client.invalidateQueries({ queryKey: [key] });
    };
    stream.addEventListener('terminals', () => again('terminals'));
    stream.addEventListener('files', () => again('terminals', 'review', 'sending-hour'));
    stream.addEventListener('plan', () => again('review'));
    // Whatever was told while nobody was connected was missed.
    stream.addEventListener('open', () => again('terminals'));
    return () => stream.close();
  }, [client]);
  const said = Object.entries(asked).filter(([, value]) => value);
  return useQuery({
    queryKey: ['terminals', asked],
    queryFn: ({ signal }) =>
      ask<TerminalsView>(`/api/send/terminals?${new URLSearchParams(said)}`, undefined, signal),
    refetchInterval: AT_REST,
    placeholderData: keepPreviousData,
  });
}
