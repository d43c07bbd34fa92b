import { Check } from '../../ui/pieces/index.ts';
import type { DealDraft } from '../draft/draft.ts';
import { OptionalCount } from '../sentence/count-field.tsx';

/** How a deal on units stands with price changes and rewards, and how often it counts in a basket. */
export function LimitsPanel({ draft, onChange }: { draft: DealDraft; onChange: (draft: DealDraft) => void }) {
  const put = <K extends 'alone' | 'startsFrom' | 'limitPerBasket'>(key: K, value: DealDraft[K] | null) => {
    const { [key]: _, ...rest } = draft;
    onChange((value === null ? rest : { ...rest, [key]: value }) as DealDraft);
  };
  return (
    <span className="block space-y-3 text-sm">
      <OptionalCount
        label="At most so many times a basket"
        count={draft.limitPerBasket}
        onChange={(count) => put('limitPerBasket', count)}
      />
      <Check
        words="It counts from the price before any price change, so that the two do not add up"
        checked={draft.startsFrom === 'base'}
        onChange={(base) => put('startsFrom', base ? 'base' : null)}
      />
      <Check
        words="Alone: what it is used on counts for no basket reward"
        checked={draft.alone === true}
        onChange={(alone) => put('alone', alone ? true : null)}
      />
    </span>
  );
}
