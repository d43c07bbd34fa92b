import type { SecondStepDemand } from '../../contracts/index.ts';
import type { HouseRules } from '../../core/house-rules/index.ts';

/** How the chain wants its people to work. */
export interface WorkRules {
  /** What somebody wrote or submitted is approved by somebody else, and only what was submitted. */
  readonly another: boolean;
  /** Regular prices, and what changes the goods or places of an approved promotion, wait for approval too. */
  readonly stockroom: boolean;
  /** Shelf tags tell the lowest price of the thirty days before a reduction. */
  readonly tagsTellLowest: boolean;
  /** What it asks of its promotions. */
  readonly house: HouseRules;
  /** Of whom a second step of the sign-in is asked; null: it is each one's own affair. */
  readonly secondStep: SecondStepDemand | null;
}

/** Port: the rules of work of the chain. */
export interface WorkRulesStore {
  current(): Promise<WorkRules>;
  /**
   * Sets what somebody makes of the rules as they stand, while nobody else changes them; what is not named stays.
   * @param change null: nothing is set.
   */
  change(change: (standing: WorkRules) => Partial<WorkRules> | null, person: string): Promise<void>;
}
