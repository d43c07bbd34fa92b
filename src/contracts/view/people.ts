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
