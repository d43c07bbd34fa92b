import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask } from '../server/index.ts';

/** So often the page says that it is still open, in milliseconds. */
const SAYS_EVERY = 20_000;

/** Who else has it open to write on it. Null: it is new, or only looked at. */
export function OthersHere({ promotion }: { promotion: string | null }) {
  const path = `/api/promotions/${idInAddress(promotion ?? '')}/here`;
  const { data } = useQuery({
    queryKey: ['others-here', promotion],
    queryFn: ({ signal }) => ask<{ others: readonly string[] }>(path, { method: 'PUT', body: {} }, signal),
    enabled: promotion !== null,
    refetchInterval: SAYS_EVERY,
    retry: false,
  });
  useEffect(() => {
    if (promotion === null) return;
    // What is asked as a page goes is sent all the same.
    const leave = () => void fetch(path, { method: 'DELETE', keepalive: true }).catch(() => {});
    addEventListener('pagehide', leave);
    return () => removeEventListener('pagehide', leave);
  }, [promotion, path]);
  const others = data?.others ?? [];
  if (others.length === 0) return null;
  return (
    <Notice tone="news" className="mt-2 text-sm">
      {others.join(' and ')} {others.length === 1 ? 'has' : 'have'} this open as well. What both of you write
      can be put together when the second one saves.
    </Notice>
  );
}
