/** What is given to one contender at most. */
export interface Unit {
  /** Its number among the units; of units that are alike the lower one goes first. */
  readonly position: number;
}
