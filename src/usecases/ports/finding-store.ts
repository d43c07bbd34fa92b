import type { Finding } from '../../core/overlaps/index.ts';

export interface AcceptedFinding {
  readonly key: string;
  readonly about: string;
  readonly reason: string;
  /** A name. */
  readonly by: string;
  /** ISO 8601. */
  readonly at: string;
}

/** Port: what was found in the plan, so that it is found once; and what somebody can live with. */
export interface FindingStore {
  /** Null: that version was not looked at on that day. */
  found(version: number, day: string): Promise<readonly Finding[] | null>;
  /** What was kept before is forgotten. */
  keep(version: number, day: string, found: readonly Finding[]): Promise<void>;
  /** Another program may find other things: what one before it found is forgotten when this one begins. */
  forget(): Promise<void>;
  accepted(): Promise<readonly AcceptedFinding[]>;
  /** One of the same key is replaced; told in the story of its promotions. */
  accept(
    finding: Pick<AcceptedFinding, 'key' | 'about' | 'reason'>,
    promotions: readonly string[],
    person: string,
  ): Promise<void>;
  /** @returns whether it was there. */
  takeBack(key: string, promotions: readonly string[], person: string): Promise<boolean>;
}
