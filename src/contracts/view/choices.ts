import type { PlanDocument } from '../../core/plan/index.ts';

/** What tills tell of a basket, in the chain's own words: a word counts as it is written. */
export interface ChainWords {
  readonly payments: readonly string[];
  readonly deliveries: readonly string[];
  readonly regions: readonly string[];
  readonly linkTags: readonly string[];
}

/** All that a part of a sentence can be changed to. Items are searched for instead: there are too many. */
export interface Choices
  extends Required<
    Pick<PlanDocument, 'nodes' | 'itemSets' | 'zones' | 'storeGroups' | 'shopperGroups' | 'priceLists'>
  > {
  readonly format: PlanDocument['format'];
  readonly version: PlanDocument['version'];
  readonly currency: string;
  readonly marginFloor: number | null;
  readonly stores: PlanDocument['stores'];
  /** Whom the plan knows by number: accounts with their names. */
  readonly shoppers: { id: string; name?: string }[];
  /** Whether people may be looked up by who asks. */
  readonly findsShoppers: boolean;
  readonly brands: readonly string[];
  readonly itemTags: readonly string[];
  readonly attributes: readonly { readonly name: string; readonly values: readonly string[] }[];
  /** Ids of terminals and their tags. */
  readonly terminalIds: readonly string[];
  readonly terminalTags: readonly string[];
  readonly channels: readonly string[];
  readonly words: ChainWords;
  /** Rewards of the whole basket, by name. */
  readonly rewards: readonly { readonly id: string; readonly name: string }[];
}
