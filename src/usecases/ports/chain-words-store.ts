import type { ChainWords } from '../../contracts/index.ts';

/** Port: the words that the chain keeps for what a till tells of a basket. */
export interface ChainWordsStore {
  current(): Promise<ChainWords>;
  set(words: ChainWords, person: string): Promise<void>;
}
