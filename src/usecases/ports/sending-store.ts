import type { KeyCertificate } from '../../contracts/index.ts';
import type { Manifest } from '../../core/price-file/index.ts';
import type { PackedPriceFile } from './price-file-maker.ts';

/** What is known of a file that was sent. */
export interface SentFile {
  readonly number: number;
  /** Of its text, hexadecimal. */
  readonly sha256: string;
  readonly createdAt: string;
  readonly manifest: Manifest;
}

export interface TerminalStatus {
  readonly terminal: string;
  readonly store: string;
  readonly tags: readonly string[];
  readonly holds: number | null;
  readonly heldSince: string | null;
  readonly lastSeen: string | null;
  readonly clockSkew: number | null;
  readonly problem: string | null;
  /** The number that its store was sent last. */
  readonly wanted: number | null;
  readonly hasKey: boolean;
  /** When it was given its key, or when that was taken, ISO 8601 UTC; null: as the chain was set up. */
  readonly keyChangedAt: string | null;
  /** Since when it is wanted to take its whole file once more; null: it is not. */
  readonly wholeAskedAt: string | null;
}

/** What a terminal said of itself from a moment on. */
export interface TerminalEvent {
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly holds: number | null;
  readonly problem: string | null;
  /** Its own clock less the server's, milliseconds; null: not kept. */
  readonly clockSkew: number | null;
}

export interface RolloutSummary {
  readonly id: number;
  readonly createdAt: string;
  readonly createdBy: string;
  readonly stores: number;
}

/** Why files were made, as the trail tells it. */
export type SendingReason =
  | 'sent'
  | 'sent by itself'
  | 'sent anew'
  | 'signed anew'
  | 'renewed'
  | 'sent after a restored backup';

export interface RolloutOrder {
  readonly person: string;
  readonly planVersion: number;
  readonly reason: SendingReason;
  /** Ids of promotions that come with it, are another or go. */
  readonly promotions: readonly string[];
}

export interface TerminalName {
  readonly id: string;
  readonly store: string;
}

/** A terminal as it comes in by its key. */
export interface KeyedTerminal extends TerminalName {
  /** Whether it is to be handed its whole file, whatever it has. */
  readonly wantsWhole: boolean;
}

/** Port: price files and what terminals hold. */
export interface SendingStore {
  /**
   * Makes a rollout, all of it or nothing; `make` is told the number that all its files bear.
   * @throws what `make` throws: then nothing was sent.
   */
  send(
    order: RolloutOrder,
    make: (number: number) => AsyncIterable<readonly PackedPriceFile[]>,
  ): Promise<{ readonly rollout: number; readonly stores: number }>;
  /** The number of a store's newest file; null where none was made. */
  newestNumber(store: string): Promise<number | null>;
  /** The number of each store's newest file. */
  newestNumbers(): Promise<ReadonlyMap<string, number>>;
  /** The envelope of a file as terminals take it: JSON, gzipped. Null: there is no such file. */
  envelope(store: string, number: number): Promise<Uint8Array | null>;
  /** Of each store's newest file. A store that was sent nothing, or a file from before manifests, is not in it. */
  newestFiles(stores: readonly string[]): Promise<ReadonlyMap<string, SentFile>>;
  /** When each store's newest file was made, ISO 8601 UTC. */
  newestDates(): Promise<ReadonlyMap<string, string>>;
  /** What makes a file of the one before it, as it goes over: JSON, gzipped. Null: it goes as a whole. */
  change(
    store: string,
    number: number,
  ): Promise<{ readonly from: number; readonly fromSha256: string; readonly packed: Uint8Array } | null>;
  /** A file that was sent, as {@link newestFiles} tells of the newest; null: there is none, or from before digests. */
  sentFile(store: string, number: number): Promise<SentFile | null>;
  terminals(): Promise<readonly TerminalStatus[]>;
  /** Null: there is none of that name. */
  terminal(id: string): Promise<TerminalStatus | null>;
  /** What a terminal said whenever it was something else than before, the newest first; only so many are kept. */
  story(terminal: string): Promise<readonly TerminalEvent[]>;
  /** What a terminal had said last by a moment; null: nothing that is on record. */
  saidBy(terminal: string, at: Date): Promise<TerminalEvent | null>;
  /** Who made a rollout, and when; null: there is none of that number. */
  rollout(number: number): Promise<{ readonly at: string; readonly by: string } | null>;
  /** The stores that a rollout went to; none: there is no such rollout. */
  storesOfRollout(number: number): Promise<readonly string[]>;
  /** The number of the last rollout; null where nothing was sent. */
  newestRollout(): Promise<number | null>;
  rollouts(): Promise<readonly RolloutSummary[]>;
  /** Every terminal that has a key, by the key's hash. */
  terminalKeys(): Promise<ReadonlyMap<string, KeyedTerminal>>;
  /** Gives a terminal another key; the one before is not known from then on, at any server. @param hash null: none. */
  giveKey(terminal: string, hash: string | null, person: string, now: Date): Promise<void>;
  /** Has a terminal be handed its whole file once more, whatever it has; until {@link gaveWhole}. */
  askWhole(terminal: string, now: Date): Promise<void>;
  gaveWhole(terminal: string): Promise<void>;
  /**
   * Lets numbers begin at a new epoch, where they did not within the last minutes: another server may have noticed the
   * same restored backup.
   * @param lost the highest number that a terminal held and that was not known here; null where none was seen.
   * @returns whether they do now.
   */
  renewEpoch(epoch: number, lost: number | null, now: Date): Promise<boolean>;
  /** When a restored backup was last noticed, and what was lost by then; null: never. */
  lastRestore(): Promise<{ readonly at: string; readonly lost: number | null } | null>;
  /** Has a terminal look at once for what is new, where it is connected to any server. */
  wake(terminal: string): Promise<void>;
  report(
    terminal: string,
    state: { holds: number | null; heldSince: string | null; clockSkew: number; problem: string | null },
  ): Promise<void>;
}

export interface SigningKeyStatus {
  readonly id: string;
  readonly madeAt: string;
  readonly withdrawnAt: string | null;
}

/** Port: signs the text of a price file. */
export interface Signer {
  sign(text: string): { readonly sha256: string; readonly signature: string };
  readonly publicKey: string;
  /** Its id. */
  readonly key: string;
}

/** Port: the chain's signing keys. */
export interface SigningKeys {
  newest(): Promise<Signer>;
  /** How keys vouch for those after them, from the first to the last. */
  certificates(): Promise<readonly KeyCertificate[]>;
  /** The newest first. */
  all(): Promise<readonly SigningKeyStatus[]>;
  /** Makes a new key, for which the newest one vouches. @param withdraw all before are trusted no longer. */
  rotate(withdraw: boolean, person: string, now: Date): Promise<void>;
}
