/** Port: who has which promotion open to write on it. */
export interface DeskStore {
  /** Notes that somebody has it open. @returns the names of the others who were seen there since. */
  here(promotion: string, person: string, at: { now: Date; since: Date }): Promise<readonly string[]>;
  leave(promotion: string, person: string): Promise<void>;
}
