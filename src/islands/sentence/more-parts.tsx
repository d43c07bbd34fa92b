import { Check, Part } from '../../ui/pieces/index.ts';
import { asWorksheet } from '../draft/draft.ts';
import type { FormProps } from './form-props.ts';
import { FrameParts } from './frame-parts.tsx';

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
    <FrameParts
      draft={draft}
      choices={choices}
      faults={faults}
      onChange={(next) => onChange(next as typeof draft)}
    >
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
    </FrameParts>
  );
}
