import type { BasketCheckView } from './basket-check.ts';
import type { BeginningStep } from './beginning.ts';
import type { EndingCodes, TriedCodes } from './codes.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { PromotionSummary } from './replies.ts';
import type { ShelvesView } from './tags.ts';

/** What Today answers: what starts and ends, what waits, what the terminals lack, what the checks found. */
export interface TodayView {
  /** What a chain that begins has and lacks, for who looks after it; null: nothing is missing. */
  readonly begins: readonly BeginningStep[] | null;
  readonly live: number;
  readonly starting: readonly PromotionSummary[];
  readonly ending: readonly PromotionSummary[];
  /** Submitted by others, for who may approve it. */
  readonly toApprove: readonly PromotionSummary[];
  /** Sent back to those who plan. */
  readonly sentBack: readonly PromotionSummary[];
  /** Submitted, for somebody else to approve. */
  readonly submitted: readonly PromotionSummary[];
  /** Drafts and changes that nobody has submitted yet. */
  readonly drafts: readonly PromotionSummary[];
  /** Changes of the stockroom that this person may approve, and that others have to. */
  readonly stockroom: { readonly toApprove: number; readonly waiting: number };
  readonly unsent: { readonly stores: number; readonly promotions: readonly string[] };
  /** When what is approved goes out by itself, wall time where it was set for; null: somebody sends it. */
  readonly goesOut: string | null;
  /** Promotions that did not go out by themselves, as something grave was found about them, and still do not stand in every till. */
  readonly left: readonly string[];
  /** Promotions that are held back from sending, and by whom. */
  /** Of the stores that somebody runs: what is still to do at their shelves, today and tomorrow. */
  readonly shelves: ShelvesView['stores'];
  readonly held: readonly { readonly name: string; readonly by: string }[];
  readonly terminals: TerminalCount;
  readonly endingCodes: readonly EndingCodes[];
  readonly triedCodes: readonly TriedCodes[];
  /** How many people ask to be let in to a kind of shopper; 0 for who may not look at them. */
  readonly asking: number;
  readonly findings: readonly Finding[];
  /** What may be wrong in the plan from today on; null: it was not looked through since it changed. */
  /** The basket that loses most in the two weeks ahead, and how many do; null: none, or not searched since it changed. */
  readonly losing: {
    readonly count: number;
    readonly most: string;
    readonly currency: string;
    /** Wall time at which it does. */
    readonly at: string;
  } | null;
  readonly inPlan: { readonly count: number; readonly kinds: readonly PlanFinding['code'][] } | null;
}

export interface TerminalCount {
  readonly all: number;
  readonly upToDate: number;
  readonly troubled: readonly {
    readonly terminal: string;
    readonly store: string;
    readonly storeName: string;
    readonly trouble: TerminalTrouble;
    readonly detail: string | null;
  }[];
}

export const TERMINAL_TROUBLES = [
  'no-key',
  'never-seen',
  'silent',
  'refused',
  'wrong-clock',
  'behind',
] as const;
export type TerminalTrouble = (typeof TERMINAL_TROUBLES)[number];

export type Finding =
  | { readonly code: 'open-end'; readonly promotion: { readonly id: string; readonly name: string } }
  | { readonly code: 'basket-check'; readonly check: BasketCheckView }
  | {
      readonly code: 'below-cost' | 'below-floor';
      readonly items: number;
      /** In how many stores any of them is. */
      readonly stores: number;
      /** The one with the lowest margin, and where. */
      readonly worst: {
        readonly sku: string;
        readonly name: string;
        readonly store: { readonly id: string; readonly name: string };
      };
    };
