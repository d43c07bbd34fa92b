import type { Matching } from '../../contracts/index.ts';

/** Port: which column was which field, the last time a file with these heads came in. */
export interface MatchingStore {
  find(person: string, table: string, heads: readonly string[]): Promise<Matching | null>;
  keep(person: string, table: string, heads: readonly string[], matching: Matching): Promise<void>;
}
