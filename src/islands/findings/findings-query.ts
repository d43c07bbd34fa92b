import type { FindingsView } from '../../contracts/view/index.ts';
import { ask } from '../server/index.ts';

/** All findings of the approved plan, once for all that show some. @param known as a lens says it. */
export const findingsQuery = (known?: string) => ({
  queryKey: ['findings', known ?? null],
  queryFn: ({ signal }: { signal: AbortSignal }) =>
    ask<FindingsView>(
      known === undefined ? '/api/findings' : `/api/findings?${new URLSearchParams({ known })}`,
      undefined,
      signal,
    ),
});
