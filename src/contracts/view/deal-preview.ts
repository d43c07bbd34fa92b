import type { DealWarning, Pick } from '../../core/deal-consequences/index.ts';
import type { HouseView } from './replies.ts';
import type { TrialBasket } from './trial-basket.ts';

/** What a deal makes of one sample basket; amounts as money, margins in basis points. */
export interface DealStepView {
  readonly pick: Pick;
  readonly lines: readonly { readonly sku: string; readonly quantity: number }[];
  readonly before: string;
  readonly after: string;
  readonly cost: string | null;
  readonly marginBefore: number | null;
  readonly marginAfter: number | null;
  /** Hundredths: 160 is 1.6 times as many. */
  readonly breakEven: number | null;
  readonly split: readonly { readonly sku: string; readonly paid: string; readonly gift: boolean }[] | null;
  readonly delivery: { readonly before: string; readonly after: string } | null;
}

/** What a draft of a deal over the basket would do. */
export interface DealPreview {
  readonly sentence: string;
  readonly house: HouseView;
  readonly stores: number;
  readonly lookedAt: { readonly store: string; readonly storeName: string; readonly at: string } | null;
  /** How many goods the store looked at sells of each part. */
  readonly items: readonly number[];
  readonly steps: readonly DealStepView[];
  readonly rivals: readonly {
    readonly id: string;
    readonly name: string;
    readonly priority: number;
    readonly items: number;
  }[];
  readonly warnings: readonly DealWarning[];
  /** By SKU, of all that is named. */
  readonly names: Readonly<Record<string, string>>;
  /** By id, of the stores that warnings name. */
  readonly storeNames: Readonly<Record<string, string>>;
  /** A basket rung with the draft and everything else that runs then; null where nothing can be rung. */
  readonly trial: {
    readonly lines: readonly { readonly sku: string; readonly quantity: string }[];
    readonly basket: TrialBasket;
    /** What the same basket costs without the draft. */
    readonly without: string;
  } | null;
}
