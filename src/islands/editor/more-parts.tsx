import { useState } from 'react';
import { FaultField, Part } from '../../ui/pieces/index.ts';
import type { Draft } from './draft.ts';
import { faultAt } from './faults.ts';
import type { FormProps } from './sentence-form.tsx';

/** What the sentence does not say yet, or says elsewhere: rounding, priority, how it stands with others, words. */
export function MoreParts({
  draft,
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
    onChange({ ...draft, offer: set ? rest : { ...rest, [key]: true } });
  };
  const toggleAlone = () => {
    const { alone, ...rest } = draft;
    onChange(alone ? rest : { ...rest, alone: true });
  };
  return (
    <div className="mt-4 text-sm">
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        {offer.rounding ? null : (
          <button type="button" className="part" onClick={onAddRounding}>
            + rounding
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
          name="Words for shoppers"
          words="words and notes"
          invalid={faultAt(faults, 'label') ?? faultAt(faults, 'notes')}
        >
          {() => (
            <span className="block space-y-2">
              <label className="block">
                What shoppers read
                <input
                  className="input input-sm mt-0.5 w-full"
                  value={draft.label?.default ?? ''}
                  onChange={(event) => onChange(withLabel(draft, event.target.value))}
                />
              </label>
              <label className="block">
                Notes for colleagues
                <textarea
                  className="textarea textarea-sm mt-0.5 w-full"
                  rows={4}
                  value={draft.notes ?? ''}
                  onChange={(event) => onChange(withNotes(draft, event.target.value))}
                />
              </label>
            </span>
          )}
        </Part>
      </p>
    </div>
  );
}

/** Nothing typed is nothing said: an empty label would stand on the receipt as one. */
function withLabel({ label, ...draft }: Draft, text: string): Draft {
  const { default: _, ...others } = label ?? {};
  const next = text === '' ? others : { ...others, default: text };
  return Object.keys(next).length === 0 ? draft : { ...draft, label: next };
}

function withNotes({ notes: _, ...draft }: Draft, text: string): Draft {
  return text === '' ? draft : { ...draft, notes: text };
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
