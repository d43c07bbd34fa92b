import type { Difference } from '../../core/sentence/index.ts';
import type { TableName } from '../table/index.ts';

/** Parts of the trail that are looked at on their own. */
export const TRAIL_PARTS = ['promotions', 'stockroom', 'sending', 'chain'] as const;
export type TrailPart = (typeof TRAIL_PARTS)[number];

/** What an entry of the trail is about. */
export type TrailAbout =
  | { readonly kind: 'promotion'; readonly id: string; readonly name: string }
  | { readonly kind: 'table'; readonly table: TableName; readonly rows: number }
  | { readonly kind: 'sending'; readonly number: number; readonly stores: number }
  | { readonly kind: 'terminal'; readonly id: string }
  | { readonly kind: 'person'; readonly name: string }
  /** Somebody who shops, by number. */
  | { readonly kind: 'shopper'; readonly id: string }
  | { readonly kind: 'plan' | 'chain' | 'work-rules' | 'chain-words' | 'key' };

/** What became of one thing: its fields as they were and as they are. */
export interface TrailChange {
  readonly label: string;
  /** New: there was none of it before. Gone: there is none any more. */
  readonly how: 'new' | 'changed' | 'gone';
  readonly differences: readonly Difference[];
}

export interface TrailEntryView {
  readonly id: number;
  /** ISO 8601, UTC. */
  readonly at: string;
  /** Null: the application by itself. */
  readonly person: string | null;
  readonly action: string;
  readonly about: TrailAbout;
  /** The first of them. */
  readonly changes: readonly TrailChange[];
  /** As a lens takes them: just before and just after. Null: it changed nothing that prices. */
  readonly known: { readonly before: string; readonly after: string } | null;
}

export interface TrailView {
  readonly entries: readonly TrailEntryView[];
  readonly people: readonly { readonly id: string; readonly name: string }[];
  /** What the trail is narrowed to, by name; null: all of it. */
  readonly of: string | null;
  /** Where the next page begins; null: this is the last. */
  readonly before: number | null;
}
