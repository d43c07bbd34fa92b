import type { FreeGoodsDocument } from '../../core/plan/index.ts';
import { Check } from '../../ui/pieces/index.ts';
import { CountField, OptionalCount } from '../sentence/count-field.tsx';
import { CountedByField } from './counted-by-field.tsx';
import { GoodsField } from './goods-field.tsx';
import { ItemField } from './item-field.tsx';
import type { KindInEditor } from './kind-in-editor.ts';
import type { PanelProps } from './panel-props.ts';

type FreeGoods = FreeGoodsDocument;

export const freeGoodsInEditor: KindInEditor<FreeGoods> = {
  Panel: FreePanel,
  additions: () => [{ part: 'bounds', words: 'from how many on, at most how many' }],
};

/** Free goods: how many of how many, out of the quantity or on top, and within which bounds. */
function FreePanel(props: PanelProps<FreeGoods>) {
  const { offer, part, onChange } = props;
  if (part === 'items')
    return <GoodsField {...props} items={offer.items} onItems={(items) => onChange({ ...offer, items })} />;
  if (part === 'count')
    return <CountedByField count={offer.count} onChange={(count) => onChange({ ...offer, count })} />;
  return part === 'every' ? <GivenPanel {...props} /> : <BoundsPanel {...props} />;
}

function GivenPanel({ offer, nameOf, onKnown, onChange }: PanelProps<FreeGoods>) {
  const { gift, ...rest } = offer;
  return (
    <span className="block space-y-3">
      <CountField label="For every" count={offer.every} onChange={(every) => onChange({ ...offer, every })} />
      <CountField
        label="so many are free"
        count={offer.free}
        onChange={(free) => onChange({ ...offer, free })}
      />
      {gift === undefined ? (
        <span className="block">They are the cheapest of what is bought. Or a gift on top:</span>
      ) : (
        <span className="flex items-baseline gap-2">
          <span className="flex-1">On top: {nameOf(gift)}</span>
          <button type="button" className="btn btn-xs" onClick={() => onChange(rest)}>
            No gift
          </button>
        </span>
      )}
      <ItemField
        name="The item that is given"
        chosen={gift === undefined ? [] : [gift]}
        onPick={({ sku, name }) => {
          onKnown({ [sku]: name });
          onChange({ ...rest, gift: sku });
        }}
      />
    </span>
  );
}

function BoundsPanel({ offer, onChange }: PanelProps<FreeGoods>) {
  const put = (key: 'minimum' | 'maxFree', count: number | null) => {
    const { [key]: _, ...rest } = offer;
    onChange((count === null ? rest : { ...rest, [key]: count }) as FreeGoods);
  };
  return (
    <span className="block space-y-3">
      <OptionalCount
        label="Only from so many on"
        count={offer.minimum}
        onChange={(count) => put('minimum', count)}
      />
      <OptionalCount
        label="At most so many free"
        count={offer.maxFree}
        onChange={(count) => put('maxFree', count)}
      />
      <Check
        words="What lies between two steps counts in proportion"
        checked={offer.parts === 'prorated'}
        onChange={(prorated) => onChange({ ...offer, parts: prorated ? 'prorated' : 'whole' })}
      />
    </span>
  );
}
