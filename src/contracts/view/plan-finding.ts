import type { FindingCode } from '../../core/overlaps/index.ts';

/** Some of many, and how many there are. */
export interface SomeOf<T> {
  readonly count: number;
  readonly some: readonly T[];
}

/** A change of one promotion after which what was found would be gone, or less. */
export interface FindingMend {
  readonly kind: 'go-first' | 'leave-out' | 'end' | 'begin' | 'once';
  readonly promotion: string;
  readonly name: string;
  /** Of going first: what its priority would be. */
  readonly priority?: number;
  /** Of leaving out: SKUs. */
  readonly items?: readonly string[];
  /** Of ending and beginning: wall time. */
  readonly at?: string;
}

/** Something that may be wrong in the plan, as it is read and worked off. */
export interface PlanFinding {
  readonly code: FindingCode;
  readonly promotions: readonly { readonly id: string; readonly name: string }[];
  /** The tier from so much on, or the part by its place, that it is about. */
  readonly part: { readonly kind: 'tier' | 'part' | 'limit'; readonly at: number } | null;
  readonly words: string;
  readonly items: SomeOf<{ readonly sku: string; readonly name: string }>;
  readonly stores: SomeOf<{ readonly id: string; readonly name: string }>;
  /** Wall clock at the first of its stores. */
  readonly from: string;
  readonly to: string | null;
  /** What it would cost if each of its stores sold one of each of its goods; null: not to be told in money. */
  readonly money: string | null;
  /** Lowest prices of the 30 days before, rising, each with where it holds. */
  readonly lowest: readonly { readonly amount: string; readonly items: number; readonly stores: number }[];
  readonly mends: readonly FindingMend[];
  /** What it is about, in short: accepted, it stays quiet as long as this stays. */
  readonly about: string;
  readonly accepted: { readonly by: string; readonly at: string; readonly reason: string } | null;
}

export interface FindingsView {
  readonly currency: string;
  /** What costs most first. */
  readonly open: readonly PlanFinding[];
  readonly accepted: readonly PlanFinding[];
}

/** A finding that somebody can live with, and why. */
export interface AcceptFindingRequest {
  readonly code: FindingCode;
  readonly promotions: readonly string[];
  readonly part: PlanFinding['part'];
  readonly about: string;
  readonly reason: string;
}

/** What would be wrong if a draft were approved as it stands. */
export interface DraftFindings {
  readonly currency: string;
  readonly findings: readonly PlanFinding[];
}
