import type { Role } from './roles.ts';

/** Somebody of the chain, as an administrator sees them. */
export interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly costs: boolean;
  /** Ids; of the role `store` alone. */
  readonly stores: readonly string[];
  /** Since when they are not let in any more, ISO 8601 UTC; null: they are. */
  readonly endedAt: string | null;
}

export interface PeopleView {
  readonly people: readonly PersonRow[];
  readonly stores: readonly { readonly id: string; readonly name: string }[];
}

/** Where somebody is signed in. */
export interface SessionRow {
  readonly id: string;
  /** Whether it is the one that asks. */
  readonly here: boolean;
  /** ISO 8601, UTC. */
  readonly since: string;
  /** Within the hour before it was last used, ISO 8601 UTC. */
  readonly usedAt: string;
  /** The network address; null: not known. */
  readonly address: string | null;
  /** What the browser called itself (User-Agent); null: nothing. */
  readonly browser: string | null;
}

export interface SessionsView {
  /** The one that asks first, then by last use. */
  readonly sessions: readonly SessionRow[];
}
