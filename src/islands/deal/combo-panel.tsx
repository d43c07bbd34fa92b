import type { ComboDocument } from '../../core/plan/index.ts';
import { NOTHING_CHOSEN } from '../../core/sentence/index.ts';
import { Check, FaultField, KeptField } from '../../ui/pieces/index.ts';
import { CountField } from '../sentence/count-field.tsx';
import { numberOf } from '../sentence/typed-numbers.ts';
import { ExtraFields } from './extra-fields.tsx';
import { GoodsField } from './goods-field.tsx';
import type { KindInEditor } from './kind-in-editor.ts';
import type { PanelProps } from './panel-props.ts';
import { PictureField } from './picture-field.tsx';
import { ValueFields } from './value-fields.tsx';

type Combo = ComboDocument;

export const comboInEditor: KindInEditor<Combo> = {
  Panel: ComboPanel,
  additions: (offer) => [
    ...(offer.value ? [] : [{ part: 'value', words: 'one price together' }]),
    { part: 'extra', words: 'what costs extra' },
    { part: 'picture', words: offer.picture ? 'the picture' : 'a picture' },
  ],
  growth: (offer) => ({
    words: 'another choice',
    part: `slots/${offer.slots.length}`,
    grown: () => withSlot(offer),
  }),
};

/** A combo: its slots, its price, what costs extra, its picture. */
function ComboPanel(props: PanelProps<Combo>) {
  const { offer, part, onChange } = props;
  if (part === 'value') return <PricePanel {...props} />;
  if (part === 'extra') return <ExtraFields {...props} />;
  if (part === 'picture')
    return (
      <PictureField
        picture={offer.picture}
        onChange={(picture) => {
          const { picture: _, ...rest } = offer;
          onChange(picture === null ? rest : { ...rest, picture });
        }}
      />
    );
  return <SlotPanel {...props} at={Number(part.split('/')[1])} />;
}

function SlotPanel(props: PanelProps<Combo> & { at: number }) {
  const { offer, at, choices, onChange } = props;
  const slot = offer.slots[at];
  if (!slot) return null;
  const put = (next: typeof slot) =>
    onChange({ ...offer, slots: offer.slots.map((one, i) => (i === at ? next : one)) });
  return (
    <span className="block space-y-3">
      <FaultField
        label="What the till calls it"
        inputMode="text"
        value={slot.name}
        fault={slot.name.trim() === '' ? 'a few words, such as Drink' : null}
        onChange={(name) => put({ ...slot, name })}
      />
      <CountField
        label="How many of it"
        count={slot.quantity}
        onChange={(quantity) => put({ ...slot, quantity })}
      />
      {slot.each === undefined ? null : (
        <KeptField
          label={`Price for each, in ${choices.currency}`}
          text={slot.each}
          reading={{ read: numberOf, wanted: 'an amount such as 2.50' }}
          onChange={(each) => each !== null && put({ ...slot, each })}
        />
      )}
      <GoodsField {...props} items={slot.items} onItems={(items) => put({ ...slot, items })} />
      {offer.slots.length > 1 ? (
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => onChange({ ...offer, slots: offer.slots.filter((_, i) => i !== at) })}
        >
          Take this choice away
        </button>
      ) : null}
    </span>
  );
}

/** One price for all together, or a price a slot. */
function PricePanel({ offer, choices, onChange }: PanelProps<Combo>) {
  const { value, extra, ...rest } = offer;
  const kept = extra ? { extra } : {};
  const bySlot = () =>
    onChange({ ...rest, ...kept, slots: rest.slots.map((slot) => ({ each: '1', ...slot })) });
  const together = () =>
    onChange({ ...rest, ...kept, slots: rest.slots.map(({ each, ...slot }) => slot), value: { total: '5' } });
  return (
    <span className="block space-y-3">
      <Check
        words="Every choice has a price of its own"
        checked={value === undefined}
        onChange={(own) => (own ? bySlot() : together())}
      />
      {value ? (
        <ValueFields
          value={value}
          ways={['total', 'percentOff']}
          currency={choices.currency}
          onChange={(next) => onChange({ ...rest, ...('percentOff' in next ? {} : kept), value: next })}
        />
      ) : (
        <span className="quiet block">Press a choice in the sentence to set its price.</span>
      )}
    </span>
  );
}

/** One more choice to make. */
const withSlot = (offer: Combo): Combo => ({
  ...offer,
  slots: [
    ...offer.slots,
    { name: 'Another choice', items: NOTHING_CHOSEN, quantity: 1, ...(offer.value ? {} : { each: '1' }) },
  ],
});
