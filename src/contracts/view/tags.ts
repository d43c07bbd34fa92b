/** Who hung a tag, and when. */
export interface HungView {
  /** By name. */
  readonly by: string;
  /** ISO 8601, UTC. */
  readonly at: string;
}

interface PlacedView {
  readonly sku: string;
  readonly name: string;
  readonly shelf: string | null;
  readonly gtin: string | null;
  /** What hangs then, in short: a tick is for this and nothing else. */
  readonly edition: string;
  /** Null: nobody has said so. */
  readonly hung: HungView | null;
}

/** A shelf tag in words. */
export interface TagView extends PlacedView {
  readonly price: string;
  readonly was: string | null;
  readonly perUnit: string | null;
  readonly lowest: string | null;
  readonly until: string | null;
  /** "3 for 11.00, mixed, until Sat 5 Dec" */
  readonly deals: readonly string[];
  readonly forSome: readonly string[];
  /** The promotion that made the price. */
  readonly promotion: { readonly id: string; readonly name: string } | null;
  /** Whether it must be hung anew for the day. */
  readonly due: boolean;
}

/** A tag that must come off the shelf. */
export interface OffShelfView extends PlacedView {
  /** What it says: "9.00, was 10.00". */
  readonly said: string;
  /** Names of the promotions that are over. */
  readonly ended: readonly string[];
  /** Whether no other comes in its place. */
  readonly gone: boolean;
}

export interface TagsView {
  readonly store: { readonly id: string; readonly name: string };
  readonly day: string;
  readonly today: string;
  /** "08:00", the prices are those of this time. */
  readonly opens: string;
  readonly currency: string;
  /** Of all that must be done for the day, whatever is looked at. */
  readonly due: number;
  readonly done: number;
  /** How many are meant by what was asked; the first of them in the order of the shelves. */
  readonly meant: number;
  readonly tags: readonly TagView[];
  readonly off: readonly OffShelfView[];
  /** Of those meant, how many have no barcode that could be printed. */
  readonly withoutBarcode: number;
  /** Promotions that are told of on tags that must be hung anew. */
  readonly promotions: readonly { readonly id: string; readonly name: string; readonly tags: number }[];
  /** Whether the tills of the store were not sent all that stands in the plan: they would ring something else. */
  readonly unsent: { readonly promotions: readonly string[] } | null;
  readonly papers: readonly { readonly name: string; readonly title: string }[];
}

/** So many are shown at once. */
export const TAGS_SHOWN = 200;

/** A line that comes while tags are made into a file (NDJSON). */
export type PrintNews =
  | { readonly kind: 'progress'; readonly done: number; readonly of: number }
  | { readonly kind: 'refused'; readonly message: string }
  /** The PDF, as base64. */
  | {
      readonly kind: 'file';
      readonly name: string;
      readonly tags: number;
      readonly pdf: string;
      /** Items on whose tags there was no room for all that they should say. */
      readonly short: readonly string[];
    };

/** How far stores are with their shelves. */
export interface ShelvesView {
  readonly stores: readonly {
    readonly id: string;
    readonly name: string;
    readonly day: string;
    readonly due: number;
    readonly done: number;
    /** When somebody last said that a tag hangs: ISO 8601, UTC; null: nobody has. */
    readonly last: string | null;
  }[];
}
