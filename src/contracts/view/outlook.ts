interface Named {
  readonly id: string;
  readonly name: string;
}

/** An estimate: units rounded, money as decimal text. */
export interface SumsView {
  readonly units: number;
  readonly takings: string;
  /** Of the goods whose cost is known; null: not for this person. */
  readonly margin: string | null;
}

export interface ComparedView {
  readonly without: SumsView;
  readonly with: SumsView;
}

export interface OutlookDayView extends ComparedView {
  readonly date: string;
  /** What other goods of the same groups lose. */
  readonly others: SumsView;
}

export interface OutlookView {
  readonly currency: string;
  readonly days: readonly OutlookDayView[];
  readonly whole: ComparedView & { readonly others: SumsView };
  /** How many times as many units earn as much as without it, in hundredths; null: none, or not for this person. */
  readonly breakEven: number | null;
  readonly goods: readonly (ComparedView & { readonly sku: string; readonly name: string })[];
  /** Goods that are not told one by one. */
  readonly more: number;
  readonly losing: readonly {
    readonly group: string;
    readonly goods: number;
    readonly lost: SumsView;
    readonly most: readonly string[];
  }[];
  readonly withoutCost: number;
  readonly stores: { readonly looked: number; readonly of: number };
  /** The last time that it ran: what the same assumptions say of that. */
  readonly last:
    | (Named & {
        readonly from: string;
        readonly to: string;
        readonly days: number;
        readonly goods: { readonly both: number; readonly added: number; readonly gone: number };
        readonly whole: ComparedView;
      })
    | null;
}

export interface WeekView {
  readonly currency: string;
  readonly from: string;
  readonly departments: readonly (ComparedView &
    Named & { readonly goods: number; readonly promoted: number })[];
  readonly days: readonly (ComparedView & { readonly date: string })[];
  readonly whole: ComparedView;
  readonly withoutCost: number;
  readonly stores: { readonly looked: number; readonly of: number };
}
