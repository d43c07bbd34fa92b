import type { KeyRow } from '../../contracts/view/index.ts';
import type { PersonSaid } from './people-store.ts';

/** Port: the keys of other programs. What each does is told by the trail as a person's work is. */
export interface KeyStore {
  /** Those that are not taken, by name. */
  all(): Promise<readonly KeyRow[]>;
  /** @returns its id. */
  put(said: PersonSaid, key: NewKey, by: string): Promise<string>;
  /** Another key for the same program. @returns false where there is none of that id. */
  replace(id: string, hash: string, by: string): Promise<boolean>;
  /** @returns false where there is none of that id. */
  take(id: string, at: Date, by: string): Promise<boolean>;
}

export interface NewKey {
  readonly hash: string;
  readonly scopes: readonly string[];
  readonly endsAt: Date | null;
}
