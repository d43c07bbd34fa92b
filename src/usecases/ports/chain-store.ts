import type { PlanDocument } from '../../core/plan/index.ts';

type Policy = NonNullable<PlanDocument['policy']>;

/** The chain's name, and how the prices of all of it come about. */
export interface ChainSettings {
  readonly name: string;
  readonly policy: Required<Pick<Policy, 'priceChanges' | 'baskets'>> & Pick<Policy, 'marginFloor'>;
}

/** Port: what is said of the chain as a whole. */
export interface ChainStore {
  /** @param version of the plan that was looked at. @returns the one that stands now; null: somebody changed the plan. */
  change(settings: ChainSettings, version: number, person: string): Promise<number | null>;
}
