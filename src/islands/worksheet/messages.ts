import type { PassDocument } from '../../core/plan/index.ts';
import type {
  SheetFilter,
  SheetLine,
  SheetLook,
  SheetResult,
  SheetSums,
} from '../../core/worksheet/index.ts';

/** What the page tells the worker: new lines, or new work on the lines that it holds. */
export type ToWorker =
  | { readonly kind: 'lines'; readonly lines: readonly SheetLine[] }
  | { readonly kind: 'work'; readonly number: number; readonly work: PlainWork; readonly look: SheetLook };

/** The work as documents say it; the worker reads it into numbers. */
export interface PlainWork {
  readonly currency: string;
  readonly passes: readonly Omit<PassDocument, 'items' | 'name'>[];
  /** Under the key of a line, or under an SKU for all its lines. */
  readonly own: Readonly<Record<string, string>>;
  readonly removed: readonly string[];
  readonly cost: string | null;
  readonly costs: Readonly<Record<string, string>>;
}

export interface FromWorker {
  /** Of the work that it answers. */
  readonly number: number;
  readonly results: readonly SheetResult[];
  readonly shown: Int32Array;
  readonly counts: Readonly<Record<SheetFilter, number>>;
  readonly sums: SheetSums;
  /** Milliseconds in the worker. */
  readonly took: number;
}
