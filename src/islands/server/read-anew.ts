import type { QueryClient, QueryFilters } from '@tanstack/react-query';

/**
 * Has what was changed read anew. What is being read already was asked for before the change: that answer is given up,
 * or it would be taken for the new one where it is the first of its kind.
 */
export async function readAnew(client: QueryClient, of?: QueryFilters): Promise<void> {
  await client.cancelQueries(of);
  await client.invalidateQueries(of);
}
