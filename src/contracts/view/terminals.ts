import type { TerminalTrouble } from './today.ts';

/** So many are shown at once, where no other number is asked for. */
export const TERMINALS_SHOWN = 100;

/** What a terminal last said of itself, and what is wrong with it. */
export interface TerminalRow {
  readonly terminal: string;
  readonly store: string;
  readonly storeName: string;
  readonly timeZone: string;
  readonly tags: readonly string[];
  readonly holds: number | null;
  readonly wanted: number | null;
  /** Without one it is refused whatever it asks. */
  readonly hasKey: boolean;
  /** ISO 8601, UTC. */
  readonly heldSince: string | null;
  readonly lastSeen: string | null;
  /** Its clock less ours, milliseconds. */
  readonly clockSkew: number | null;
  readonly problem: string | null;
  readonly trouble: TerminalTrouble | null;
}

/** One terminal: what it holds, what it lacks, and what it said of itself so far. */
export interface TerminalView extends TerminalRow {
  /** What the newest file of its store has that it does not hold; null: nothing, or it is not known. */
  readonly lacks: TerminalLacks | null;
  /** When it was given its key, or when that was taken, ISO 8601 UTC; null: as the chain was set up. */
  readonly keyChangedAt: string | null;
  /** Since when it is to take its whole file once more, ISO 8601 UTC; null: it is not. */
  readonly wholeAskedAt: string | null;
  /** When its store was sent the newest file, ISO 8601 UTC; null: never. */
  readonly wantedSince: string | null;
  /** The newest first. */
  /** Wrong codes that were tried there within a day; null: no more than slips of the finger. */
  readonly wrongCodes: number | null;
  readonly story: readonly {
    readonly at: string;
    readonly holds: number | null;
    readonly problem: string | null;
  }[];
}

export interface TerminalLacks {
  readonly promotions: readonly {
    readonly id: string;
    readonly name: string;
    readonly how: 'new' | 'changed' | 'gone';
  }[];
  /** How many goods come, go, or are told of otherwise. */
  readonly items: number;
  /** Whether lists, sets, groups or the hierarchy differ. */
  readonly other: boolean;
}

/** A backup that was played back, as it was noticed. */
export interface RestoreNoticed {
  /** ISO 8601, UTC. */
  readonly at: string;
  /** The highest number of a price file that a terminal held and that is not known any more; null: none was seen. */
  readonly lost: number | null;
}

/** How some terminals stand. */
export interface TerminalCounts {
  readonly all: number;
  readonly upToDate: number;
  readonly troubled: Readonly<Partial<Record<TerminalTrouble, number>>>;
}

/** How far a sending has come. */
export interface RolloutState {
  readonly number: number;
  readonly terminals: number;
  readonly holding: number;
  /** The first few that do not hold it yet. */
  readonly waiting: readonly { readonly terminal: string; readonly storeName: string }[];
}

/** Terminals as they were asked for; the counts are of all that the reader sees. */
export interface TerminalsView {
  /** Within the last weeks; null: none. */
  readonly restore: RestoreNoticed | null;
  readonly counts: TerminalCounts;
  /** The troubled ones first, then by name. */
  readonly terminals: readonly TerminalRow[];
  /** How many there are of those that were asked for, shown or not. */
  readonly meant: number;
  /** Store groups that have any, and their stores by falling number of troubled terminals. */
  readonly groups: readonly (TerminalCounts & { readonly id: string; readonly name: string })[];
  readonly stores: readonly (TerminalCounts & {
    readonly id: string;
    readonly name: string;
    readonly timeZone: string;
    readonly groups: readonly string[];
  })[];
  /** Null: none was asked about, or there is none of that number. */
  readonly rollout: RolloutState | null;
  readonly rollouts: readonly {
    readonly id: number;
    /** ISO 8601, UTC. */
    readonly createdAt: string;
    readonly createdBy: string;
    readonly stores: number;
  }[];
}
