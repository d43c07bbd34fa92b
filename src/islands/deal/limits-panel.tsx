import { roomOf } from '../../core/plan/index.ts';
import { Check, KeptField } from '../../ui/pieces/index.ts';
import type { DealDraft } from '../draft/draft.ts';
import { listOf } from '../sentence/typed-numbers.ts';
import { OptionalCount } from './count-field.tsx';

/** How a deal stands with price changes and other rewards, and how often it counts. */
export function LimitsPanel({ draft, onChange }: { draft: DealDraft; onChange: (draft: DealDraft) => void }) {
  const put = <K extends 'alone' | 'startsFrom' | 'limitPerBasket'>(key: K, value: DealDraft[K] | null) => {
    const { [key]: _, ...rest } = draft;
    onChange((value === null ? rest : { ...rest, [key]: value }) as DealDraft);
  };
  const onUnits = roomOf(draft.offer).over === 'units';
  return (
    <span className="block space-y-3 text-sm">
      {onUnits ? (
        <>
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
        </>
      ) : null}
      <UsesFields draft={draft} onChange={onChange} />
    </span>
  );
}

const USES = {
  perShopper: 'At most so many receipts a shopper',
  inAll: 'At most so many receipts in all',
  perCode: 'At most so many receipts a code',
  cutOff: 'While a till is cut off it may give so many by itself; nothing means none',
} as const;

function UsesFields({ draft, onChange }: { draft: DealDraft; onChange: (draft: DealDraft) => void }) {
  const { uses = {}, ...rest } = draft;
  return (Object.keys(USES) as (keyof typeof USES)[]).map((key) => (
    <OptionalCount
      key={key}
      label={USES[key]}
      count={uses[key]}
      onChange={(count) => {
        const { [key]: _, ...others } = uses;
        const next = count === null ? others : { ...others, [key]: count };
        onChange(Object.keys(next).length > 0 ? { ...rest, uses: next } : rest);
      }}
    />
  ));
}

/** Only who says one of these gets the deal. */
export function CodesPanel({ draft, onChange }: { draft: DealDraft; onChange: (draft: DealDraft) => void }) {
  return (
    <KeptField
      label="Only with one of these codes, with spaces between; nothing means without a code"
      text={draft.codes?.join(' ') ?? ''}
      inputMode="text"
      optional
      reading={{ read: listOf, wanted: 'codes with spaces between' }}
      onChange={(codes) => {
        const { codes: _, ...rest } = draft;
        onChange(codes && codes.length > 0 ? { ...rest, codes } : rest);
      }}
    />
  );
}
