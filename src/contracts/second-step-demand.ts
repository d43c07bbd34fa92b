import type { Role } from './view/roles.ts';

/** Of whom the chain asks a second step of the sign-in, from a day on (its beginning in UTC); null elsewhere: of nobody. */
export interface SecondStepDemand {
  readonly of: 'administrators' | 'everybody';
  readonly from: string;
}

/** From when on somebody must have one; null: that is their own affair. */
export const secondStepFrom = (demand: SecondStepDemand | null, role: Role): string | null =>
  demand && (demand.of === 'everybody' || role === 'administrator') ? demand.from : null;
