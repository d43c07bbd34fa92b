import { useQueries, useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import type { TablePage } from '../../contracts/view/index.ts';
import { ask, type Refusal, readAnew, refusalOf } from '../server/index.ts';
import type { SheetRow } from '../sheet/index.ts';

const A_STRETCH = 100;

/** The rows of a table, fetched in stretches as they come into sight. */
export function useRows(path: string): {
  readonly total: number | null;
  readonly rowAt: (index: number) => SheetRow | null;
  readonly onShow: (first: number, last: number) => void;
  readonly refusal: Refusal | null;
  readonly again: () => Promise<void>;
} {
  const [seen, setSeen] = useState({ first: 0, last: 0 });
  const client = useQueryClient();
  const from = Math.floor(seen.first / A_STRETCH);
  const to = Math.floor(seen.last / A_STRETCH);
  const stretches = Array.from({ length: to - from + 1 }, (_, i) => from + i);
  const pages = useQueries({
    queries: stretches.map((stretch) => ({
      queryKey: ['rows', path, stretch],
      queryFn: () => ask<TablePage>(`${path}&offset=${stretch * A_STRETCH}&limit=${A_STRETCH}`),
      staleTime: 30_000,
    })),
  });
  const error = pages.find((page) => page.error)?.error;
  const total = pages.find((page) => page.data)?.data?.total ?? null;
  // While a search is answered the sheet keeps its length, so that it does not jump.
  const [kept, setKept] = useState<number | null>(null);
  if (total !== null && total !== kept) setKept(total);
  return {
    total: total ?? kept,
    rowAt: (index) => pages[Math.floor(index / A_STRETCH) - from]?.data?.rows[index % A_STRETCH] ?? null,
    onShow: useCallback((first, last) => setSeen({ first, last }), []),
    refusal: error ? refusalOf(error) : null,
    again: () => readAnew(client, { queryKey: ['rows'] }),
  };
}
