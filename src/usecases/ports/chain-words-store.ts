import type { ChainWords } from '../../contracts/index.ts';

/** Port: the words that the chain keeps for what a till tells of a basket. */
export interface ChainWordsStore {
  current(): Promise<ChainWords>;
  /** Sets what somebody makes of the words as they stand, while nobody else changes them; null: nothing is set. */
  change(change: (standing: ChainWords) => ChainWords | null, person: string): Promise<void>;
}
