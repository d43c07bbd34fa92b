import type { Choices } from '../../contracts/view/index.ts';
import type { ItemRule } from '../../core/plan/index.ts';

/** What every panel of a deal gets: the deal as it stands, and what it may be changed to. */
export interface PanelProps<O> {
  readonly offer: O;
  /** Which part of the deal's words was pressed. */
  readonly part: string;
  /** The id of the deal itself; empty: it has none yet. */
  readonly own: string;
  readonly choices: Choices;
  readonly looking: { readonly store: string; readonly at: string };
  readonly wordsOf: (rule: ItemRule) => string;
  readonly nameOf: (sku: string) => string;
  readonly onKnown: (names: Record<string, string>) => void;
  onChange(offer: O): void;
}
