import type { SecondStepDemand } from '../second-step-demand.ts';
import type { KeyScope, Role } from './roles.ts';

/** Somebody of the chain, as an administrator sees them. */
export interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly costs: boolean;
  /** Ids; of the role `store` alone. */
  readonly stores: readonly string[];
  /** Ids of the departments whose goods alone they may change; null: all. */
  readonly goods: readonly string[] | null;
  /** Whether their sign-in has a second step. */
  readonly secondStep: boolean;
  /** Since when they are not let in any more, ISO 8601 UTC; null: they are. */
  readonly endedAt: string | null;
}

/** A part of the range of goods, and how far down it stands. */
export interface DepartmentRow {
  readonly id: string;
  readonly name: string;
  readonly depth: number;
}

export interface PeopleView {
  readonly people: readonly PersonRow[];
  readonly stores: readonly { readonly id: string; readonly name: string }[];
  readonly departments: readonly DepartmentRow[];
  /** Of whom a second step is asked. */
  readonly secondStep: SecondStepDemand | null;
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

/** The second step of one's own sign-in. */
export interface SecondStepView {
  readonly on: boolean;
  /** Codes for a lost device that were not used yet. */
  readonly codesLeft: number;
}

/** What a device is told to make codes; shown once. */
export interface SecondStepBegun {
  /** SVG: what a device reads with its camera. */
  readonly picture: string;
  /** The same to be typed: base32 (RFC 4648). */
  readonly secret: string;
  /** For a lost device: each lets in once. */
  readonly codes: readonly string[];
}

/** A key by which another program is known, as an administrator sees it. */
export interface KeyRow {
  readonly id: string;
  readonly name: string;
  readonly scopes: readonly KeyScope[];
  readonly costs: boolean;
  /** Ids; none: all. */
  readonly stores: readonly string[];
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  /** Within the minute before it was last used, ISO 8601 UTC; null: never. */
  readonly usedAt: string | null;
  /** From when on it is good no more, ISO 8601 UTC; null: as long as it is not taken. */
  readonly endsAt: string | null;
}

export interface KeysView {
  readonly keys: readonly KeyRow[];
  readonly stores: PeopleView['stores'];
}
