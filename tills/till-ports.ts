import type { KeptUses } from './counted-uses.ts';
import type { KeptOnDisk } from './kept-on-disk.ts';
import type { PictureDisk } from './picture-disk.ts';
import type { PriceFileDisk } from './price-file-disk.ts';
import type { Ringer, Rung } from './ring.ts';
import type { BasketAnswer } from './ring-basket.ts';
import type { KeptKeys } from './trusted-keys.ts';
import type { KeptVouched } from './vouched.ts';

export interface TillIdentity {
  readonly id: string;
  readonly store: string;
  /** The key that it was given first. */
  readonly key: string;
  readonly timeZone: string;
}

export interface TillState {
  readonly id: string;
  readonly store: string;
  readonly timeZone: string;
  readonly on: boolean;
  readonly holds: number | null;
  readonly heldSince: string | null;
  /** Until when its price file is good, ISO 8601 UTC; null: it does not say. */
  readonly goodUntil: string | null;
  /** Ids of the keys that it trusts. */
  readonly trusts: readonly string[];
  /** Its own clock, milliseconds since the epoch. */
  readonly clock: number;
  readonly delay: number;
  readonly problem: string | null;
  /** Pictures that its price file names and that it has not got yet. */
  readonly picturesToCome: number;
  readonly groups: readonly { id: string; name: string }[];
}

/** One simulated till: takes price files like a real one, keeps the last good one, rings from it alone. */
export interface Till {
  state(): TillState;
  isOn(): boolean;
  /**
   * Asks the server for something newer, and tells it what is held. Nothing happens while switched off.
   * @returns false where no answer came.
   * @throws PowerCut where its power goes in a write.
   */
  poll(): Promise<boolean>;
  ring(code: string, group: string | null): Rung | null;
  /** A picture that it holds. */
  picture(id: string): Uint8Array | null;
  /**
   * Rings a basket; what it uses of what is limited is kept for it, at all tills together.
   * @param name by which it is paid or dropped; the same basket rung again has the same.
   * @returns null: nothing is held to ring from.
   */
  ringBasket(basket: unknown, name: string): Promise<BasketAnswer | null>;
  /** The basket was paid: what it used counts. */
  paid(name: string): Promise<void>;
  /** The basket was left standing: others may use what was kept for it. */
  dropped(name: string): Promise<void>;
  switchOn(on: boolean): void;
  /** By which it is known to the server. */
  key(): string;
  /** Puts another key into it, which it keeps. */
  putKey(key: string): void;
  /** Sets its clock to a wall time of its store; null: right again. False where the text is no wall time. */
  setClock(wall: string | null): boolean;
  /** Milliseconds that it waits before each talk with the server. */
  setDelay(ms: number): void;
}

export interface TillPorts {
  readonly server: string;
  /** PEM of the key that it was given by hand. */
  readonly publicKey: string;
  readonly disk: PriceFileDisk;
  readonly keys: KeptOnDisk<KeptKeys>;
  readonly vouched: KeptOnDisk<KeptVouched>;
  readonly pictures: PictureDisk;
  /** The key that was put into it after the first one. */
  readonly ownKey: KeptOnDisk<{ readonly key: string }>;
  readonly uses: KeptOnDisk<KeptUses>;
  readonly ringer: Ringer;
  now(): number;
  /** Whether it runs the first version of its program: whole files, the one key, nothing vouched for. */
  old?(): boolean;
}
