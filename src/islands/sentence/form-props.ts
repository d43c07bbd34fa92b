import type { Choices } from '../../contracts/view/index.ts';
import type { PriceChangeDraft } from '../draft/draft.ts';
import type { Refusal } from '../server/index.ts';

/** What the sentence of a price change gets: the draft as it stands, and what it may be changed to. */
export interface FormProps {
  readonly draft: PriceChangeDraft;
  readonly choices: Choices;
  readonly faults: Refusal['faults'];
  /** Only to be read. */
  readonly locked: boolean;
  /** Where and when selections are counted. */
  readonly looking: { readonly store: string; readonly at: string };
  readonly onChange: (draft: PriceChangeDraft) => void;
}
