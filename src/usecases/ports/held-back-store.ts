/** A promotion whose last change no terminal gets until it is let go. */
export interface HeldBack {
  readonly promotion: string;
  /** By name. */
  readonly by: string;
  /** ISO 8601, UTC. */
  readonly at: string;
}

/** Port: which promotions sending leaves as the terminals have them. */
export interface HeldBackStore {
  all(): Promise<readonly HeldBack[]>;
  /** Holding what is held already changes nothing. */
  hold(promotion: string, person: string): Promise<void>;
  letGo(promotion: string, person: string): Promise<void>;
}
