import type { KeptLoophole } from '../../contracts/index.ts';

/** What was found so far. */
export interface SearchedLoopholes {
  readonly found: readonly KeptLoophole[];
  /** How many searches were made. */
  readonly searches: number;
  readonly isWhole: boolean;
}

/** Port: the baskets that lose money in the plan, so that they are searched for once. */
export interface LoopholeStore {
  /** Null: that version was not searched on that day. */
  found(version: number, day: string): Promise<SearchedLoopholes | null>;
  /** What was kept before is forgotten. */
  keep(version: number, day: string, searched: SearchedLoopholes): Promise<void>;
  /** What came of a search that rested on the same; null: none did. */
  searched(key: string): Promise<readonly KeptLoophole[] | null>;
  /** Searches of which nobody asked for long are forgotten. */
  keepSearch(key: string, found: readonly KeptLoophole[]): Promise<void>;
  /** Another program may find other things. */
  forget(): Promise<void>;
}
