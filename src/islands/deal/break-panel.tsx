import type { QuantityBreakDocument } from '../../core/plan/index.ts';
import { Check } from '../../ui/pieces/index.ts';
import { CountedByField } from './counted-by-field.tsx';
import { GoodsField } from './goods-field.tsx';
import type { PanelProps } from './panel-props.ts';
import { TierFields } from './tier-fields.tsx';

/** A quantity break: its goods, its tiers, how units are counted. */
export function BreakPanel(props: PanelProps<QuantityBreakDocument>) {
  const { offer, part, choices, onChange } = props;
  if (part === 'items')
    return <GoodsField {...props} items={offer.items} onItems={(items) => onChange({ ...offer, items })} />;
  if (part === 'count')
    return <CountedByField count={offer.count} onChange={(count) => onChange({ ...offer, count })} />;
  return (
    <span className="block space-y-3">
      <TierFields
        tiers={offer.tiers}
        ways={['percentOff', 'each', 'amountOffEach']}
        currency={choices.currency}
        inMoney={false}
        onChange={(tiers) => onChange({ ...offer, tiers: tiers as typeof offer.tiers })}
      />
      <Check
        words="Only the units from a tier’s start on get its price; those before keep theirs"
        checked={offer.beyond === true}
        onChange={(beyond) => {
          const { beyond: _, ...rest } = offer;
          onChange(beyond ? { ...rest, beyond } : rest);
        }}
      />
    </span>
  );
}
