import type { BundleDocument, BuyAndGetDocument, RewardUnitDocument } from '../../core/plan/index.ts';
import { NOTHING_CHOSEN } from '../../core/sentence/index.ts';
import { Check } from '../../ui/pieces/index.ts';
import { CountField } from '../sentence/count-field.tsx';
import { GoodsField } from './goods-field.tsx';
import type { KindInEditor } from './kind-in-editor.ts';
import type { PanelProps } from './panel-props.ts';
import { ValueFields } from './value-fields.tsx';

/** So many of some goods for one price. */
export function BundlePanel(props: PanelProps<BundleDocument>) {
  const { offer, part, choices, onChange } = props;
  if (part === 'items')
    return <GoodsField {...props} items={offer.items} onItems={(items) => onChange({ ...offer, items })} />;
  if (part === 'take')
    return (
      <CountField
        label="How many together"
        count={offer.take}
        onChange={(take) => onChange({ ...offer, take })}
      />
    );
  return (
    <ValueFields
      value={offer.value}
      ways={['total', 'percentOff', 'amountOff', 'each']}
      currency={choices.currency}
      onChange={(value) => onChange({ ...offer, value })}
    />
  );
}

/** Some of every so many are cheaper. */
export function RewardUnitPanel(props: PanelProps<RewardUnitDocument>) {
  const { offer, part, choices, onChange } = props;
  if (part === 'items')
    return <GoodsField {...props} items={offer.items} onItems={(items) => onChange({ ...offer, items })} />;
  if (part === 'value')
    return (
      <ValueFields
        value={offer.value}
        ways={['percentOff', 'amountOffEach', 'each']}
        currency={choices.currency}
        onChange={(value) => onChange({ ...offer, value })}
      />
    );
  return (
    <span className="block space-y-3">
      <CountField label="Of every" count={offer.take} onChange={(take) => onChange({ ...offer, take })} />
      <CountField
        label="so many are rewarded"
        count={offer.rewarded}
        onChange={(rewarded) => onChange({ ...offer, rewarded })}
      />
      <label className="block">
        namely
        <select
          className="select select-sm mt-0.5 w-full"
          value={offer.pick}
          onChange={(event) => onChange({ ...offer, pick: event.target.value as 'cheapest' | 'dearest' })}
        >
          <option value="cheapest">the cheapest</option>
          <option value="dearest">the dearest</option>
        </select>
      </label>
    </span>
  );
}

export const buyAndGetInEditor: KindInEditor<BuyAndGetDocument> = {
  Panel: BuyAndGetPanel,
  growth: (offer) => ({
    words: 'another thing to buy',
    part: `buy/${offer.buy.length}`,
    grown: () => withBuy(offer),
  }),
};

/** Who buys these gets those. */
function BuyAndGetPanel(props: PanelProps<BuyAndGetDocument>) {
  const { offer, part, choices, onChange } = props;
  if (part === 'value')
    return (
      <ValueFields
        value={offer.value}
        ways={['percentOff', 'amountOffEach', 'each']}
        currency={choices.currency}
        onChange={(value) => onChange({ ...offer, value })}
      />
    );
  if (part === 'get') {
    const { get } = offer;
    return (
      <span className="block space-y-3">
        <CountField
          label="How many are got"
          count={get.quantity}
          onChange={(quantity) => onChange({ ...offer, get: { ...get, quantity } })}
        />
        <Check
          words="Never dearer than what is bought"
          checked={offer.notDearer === true}
          onChange={(notDearer) => {
            const { notDearer: _, ...rest } = offer;
            onChange(notDearer ? { ...rest, notDearer } : rest);
          }}
        />
        <GoodsField
          {...props}
          items={get.items}
          onItems={(items) => onChange({ ...offer, get: { ...get, items } })}
        />
      </span>
    );
  }
  const at = Number(part.split('/')[1]);
  const bought = offer.buy[at];
  if (!bought) return null;
  const put = (next: typeof bought) =>
    onChange({ ...offer, buy: offer.buy.map((one, i) => (i === at ? next : one)) });
  return (
    <span className="block space-y-3">
      <CountField
        label="How many must be bought"
        count={bought.quantity}
        onChange={(quantity) => put({ ...bought, quantity })}
      />
      <GoodsField {...props} items={bought.items} onItems={(items) => put({ ...bought, items })} />
      {offer.buy.length > 1 ? (
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => onChange({ ...offer, buy: offer.buy.filter((_, i) => i !== at) })}
        >
          Not needed: take it away
        </button>
      ) : null}
    </span>
  );
}

/** One more thing that must be bought. */
const withBuy = (offer: BuyAndGetDocument): BuyAndGetDocument => ({
  ...offer,
  buy: [...offer.buy, { items: NOTHING_CHOSEN, quantity: 1 }],
});
