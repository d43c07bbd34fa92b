import type { PriceEffect } from '../../contracts/index.ts';
import type { EntryChange } from '../../contracts/table/index.ts';

/** A change of entries that waits for approval. */
export interface WaitingEntries {
  readonly id: number;
  readonly change: EntryChange;
  /** The entries of its keys as they stood when it was written. */
  readonly standing: readonly object[];
  readonly effect: PriceEffect;
  readonly writtenBy: string;
  /** By name. */
  readonly writer: string | null;
  /** ISO 8601, UTC. */
  readonly writtenAt: string;
  readonly returned: { readonly by: string; readonly reason: string } | null;
}

/** Port: changes of the stockroom that wait. */
export interface WaitingEntryStore {
  all(): Promise<readonly WaitingEntries[]>;
  find(id: number): Promise<WaitingEntries | null>;
  hold(waiting: Pick<WaitingEntries, 'change' | 'standing' | 'effect' | 'writtenBy'>): Promise<number>;
  sendBack(id: number, returned: { by: string; reason: string }): Promise<boolean>;
  drop(id: number): Promise<boolean>;
}
