import type { DeliveryRewardDocument } from '../../core/plan/index.ts';
import { KeptField, WordsChoice } from '../../ui/pieces/index.ts';
import { basisPointsOf, numberOf } from '../sentence/typed-numbers.ts';
import { ConditionFields, NO_WORDS } from './condition-fields.tsx';
import type { KindInEditor } from './kind-in-editor.ts';
import type { PanelProps } from './panel-props.ts';

type Delivery = DeliveryRewardDocument;
const FIRST: Readonly<Record<string, Delivery['value']>> = {
  free: { free: true },
  flat: { flat: '1.90' },
  percentOff: { percentOff: 5_000 },
};

export const deliveryInEditor: KindInEditor<Delivery> = {
  Panel: DeliveryPanel,
  additions: () => [
    { part: 'conditions', words: 'conditions' },
    { part: 'bounds', words: 'amount, ways and weight' },
  ],
};

/** A reward on delivery: what is made of the charge, from which amount on, for which ways, within which weight. */
function DeliveryPanel({ offer, part, choices, onChange }: PanelProps<Delivery>) {
  const { conditions: { subtotal, ...others } = {}, ...rest } = offer;
  const putConditions = (conditions: NonNullable<Delivery['conditions']>) =>
    onChange(Object.keys(conditions).length > 0 ? { ...rest, conditions } : rest);
  const from = subtotal === undefined ? {} : { subtotal };
  if (part === 'conditions')
    return (
      <ConditionFields
        conditions={others}
        words={choices.words}
        onChange={(next) => putConditions({ ...from, ...next })}
      />
    );
  if (part === 'value')
    return (
      <ValuePanel
        value={offer.value}
        currency={choices.currency}
        onChange={(value) => onChange({ ...offer, value })}
      />
    );
  return (
    <span className="block space-y-3">
      <KeptField
        label={`From so much to pay on, in ${choices.currency}`}
        text={subtotal ?? ''}
        optional
        reading={{ read: numberOf, wanted: 'an amount such as 30, or nothing' }}
        onChange={(amount) => putConditions({ ...(amount === null ? {} : { subtotal: amount }), ...others })}
      />
      <WordsChoice
        label="Only for these ways of delivery; none means all"
        known={choices.words.deliveries.map((value) => ({ value, words: value }))}
        chosen={offer.ways ?? []}
        none={NO_WORDS}
        onChange={(ways) => {
          const { ways: _, ...kept } = offer;
          onChange(ways.length > 0 ? { ...kept, ways } : kept);
        }}
      />
      <KeptField
        label="Nothing in it heavier than so many kg"
        text={offer.maxItemWeight ?? ''}
        optional
        reading={{ read: numberOf, wanted: 'a weight such as 10, or nothing' }}
        onChange={(weight) => {
          const { maxItemWeight: _, ...kept } = offer;
          onChange(weight === null ? kept : { ...kept, maxItemWeight: weight });
        }}
      />
    </span>
  );
}

function ValuePanel({
  value,
  currency,
  onChange,
}: {
  value: Delivery['value'];
  currency: string;
  onChange: (value: Delivery['value']) => void;
}) {
  const way = Object.keys(value)[0]!;
  return (
    <span className="block space-y-3">
      <label className="block">
        Delivery is
        <select
          className="select select-sm mt-0.5 w-full"
          value={way}
          onChange={(event) => onChange(FIRST[event.target.value]!)}
        >
          <option value="free">free</option>
          <option value="flat">at one price</option>
          <option value="percentOff">a percentage cheaper</option>
        </select>
      </label>
      {'flat' in value ? (
        <KeptField
          label={`At, in ${currency}`}
          text={value.flat}
          reading={{ read: numberOf, wanted: 'an amount such as 1.90' }}
          onChange={(flat) => flat !== null && onChange({ flat })}
        />
      ) : null}
      {'percentOff' in value ? (
        <KeptField
          label="Cheaper by, in %"
          text={String(value.percentOff / 100)}
          reading={{ read: basisPointsOf, wanted: 'a percentage such as 50' }}
          onChange={(percentOff) => percentOff !== null && onChange({ percentOff })}
        />
      ) : null}
    </span>
  );
}
