import type { Instant } from '../../core/calendar/index.ts';
import type { Manifest } from '../../core/price-file/index.ts';

/** Which files are to be made, and what is to stand in them. */
export interface PriceFileOrder {
  readonly stores: readonly string[];
  /** Borne by all of them. */
  readonly number: number;
  readonly now: Instant;
  readonly of: /** What stands in the plan at this version, but for what is held back. */
    | { readonly kind: 'plan'; readonly version: number; readonly held: readonly string[] }
    /** What they were sent last: whole, or as the difference of what is renewed. */
    | { readonly kind: 'sent'; readonly whole: boolean };
}

/** A price file, made and signed, as it lies ready for terminals. */
export interface PackedPriceFile {
  readonly store: string;
  /** Of its text, hexadecimal. */
  readonly sha256: string;
  /** Ed25519, base64. */
  readonly signature: string;
  readonly manifest: Manifest;
  /** The whole envelope: JSON, gzipped. */
  readonly envelope: Uint8Array;
  /** What makes it of the file that its store was sent before, as it goes over; null: it goes as a whole. */
  readonly change: {
    readonly packed: Uint8Array;
    readonly from: number;
    readonly fromSha256: string;
  } | null;
}

/** Port: makes price files. Thousands of them are made a few at a time, and never held all at once. */
export interface PriceFileMaker {
  /** @throws PlanMovedOn where the plan stands at another version than was ordered. */
  make(order: PriceFileOrder): AsyncIterable<readonly PackedPriceFile[]>;
}
