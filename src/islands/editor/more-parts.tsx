import { useState } from 'react';
import { FaultField, Part } from '../../ui/pieces/index.ts';
import { asWorksheet } from './draft.ts';
import { faultAt } from './faults.ts';
import { PlacesPart } from './places-part.tsx';
import type { FormProps } from './sentence-form.tsx';
import { SupplierPart } from './supplier-part.tsx';
import { WordsPart } from './words-part.tsx';

/** What the sentence does not say yet, or says elsewhere: rounding, priority, how it stands with others, words. */
export function MoreParts({
  draft,
  choices,
  faults,
  onChange,
  onAddRounding,
}: FormProps & {
  /** Rounding comes into the sentence, where its panel opens. */
  onAddRounding: () => void;
}) {
  const { offer } = draft;
  const toggle = (key: 'onTop' | 'mayRaise') => {
    const { [key]: set, ...rest } = offer;
    const { of, ...others } = rest;
    onChange({ ...draft, offer: set ? (key === 'onTop' ? others : rest) : { ...rest, [key]: true } });
  };
  const toggleAlone = () => {
    const { alone, ...rest } = draft;
    onChange(alone ? rest : { ...rest, alone: true });
  };
  return (
    <div className="mt-4 text-sm">
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-3">
        {offer.rounding || offer.worksheet ? null : (
          <button type="button" className="part" onClick={onAddRounding}>
            + rounding
          </button>
        )}
        {offer.worksheet || offer.onTop ? null : (
          <button type="button" className="part" onClick={() => onChange(asWorksheet(draft))}>
            + lines in a worksheet
          </button>
        )}
        <Part
          name="Priority"
          words={`priority ${draft.priority ?? 100}`}
          invalid={faultAt(faults, 'priority')}
        >
          {() => (
            <Priority
              value={draft.priority ?? 100}
              onChange={(priority) => onChange({ ...draft, priority })}
            />
          )}
        </Part>
        <Part name="With others" words="with other price changes">
          {() => (
            <span className="block space-y-2">
              <Check
                words="On top: takes its reduction off whatever price another change has set"
                checked={offer.onTop === true}
                onChange={() => toggle('onTop')}
              />
              {offer.onTop && offer.formula && 'percentOff' in offer.formula ? (
                <Check
                  words="… a percentage of the price before any change, not of what another change left"
                  checked={offer.of === 'base'}
                  onChange={() => {
                    const { of, ...rest } = offer;
                    onChange({ ...draft, offer: of === 'base' ? rest : { ...rest, of: 'base' } });
                  }}
                />
              ) : null}
              <Check
                words="Alone: where it wins, nothing is taken off on top"
                checked={draft.alone === true}
                onChange={toggleAlone}
              />
              <Check
                words="It may raise a price as well as lower it"
                checked={offer.mayRaise === true}
                onChange={() => toggle('mayRaise')}
              />
            </span>
          )}
        </Part>
        <Part
          name="Channels and terminals"
          words="channels and terminals"
          wide
          invalid={faultAt(faults, 'channels') ?? faultAt(faults, 'terminals')}
        >
          {() => <PlacesPart draft={draft} choices={choices} onChange={onChange} />}
        </Part>
        <Part name="Supplier terms" words="supplier terms" wide invalid={faultAt(faults, 'supplier')}>
          {() => <SupplierPart draft={draft} currency={choices.currency} onChange={onChange} />}
        </Part>
        <Part
          name="Words for shoppers"
          words="words and notes"
          invalid={faultAt(faults, 'label') ?? faultAt(faults, 'badge') ?? faultAt(faults, 'notes')}
        >
          {() => <WordsPart draft={draft} onChange={onChange} />}
        </Part>
      </p>
    </div>
  );
}

const isPriority = (text: string): boolean => /^[1-9]\d{0,5}$/.test(text.trim());

/** Keeps what is typed; only a whole number goes on into the draft. */
function Priority({ value, onChange }: { value: number; onChange: (priority: number) => void }) {
  const [text, setText] = useState(String(value));
  return (
    <FaultField
      label="Priority; 1 comes first, and the first one sets the price"
      inputMode="numeric"
      value={text}
      fault={isPriority(text) ? null : 'wanted: a whole number from 1'}
      onChange={(next) => {
        setText(next);
        if (isPriority(next)) onChange(Number(next));
      }}
    />
  );
}

function Check({ words, checked, onChange }: { words: string; checked: boolean; onChange: () => void }) {
  return (
    <label className="flex items-start gap-2">
      <input type="checkbox" className="checkbox mt-0.5" checked={checked} onChange={onChange} />
      {words}
    </label>
  );
}
