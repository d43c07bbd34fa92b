import { X } from 'lucide-react';
import type { ComboDocument } from '../../core/plan/index.ts';
import { KeptField } from '../../ui/pieces/index.ts';
import { numberOf } from '../sentence/typed-numbers.ts';
import { ItemField } from './item-field.tsx';
import type { PanelProps } from './panel-props.ts';

/** Items that cost something more than the combo's price. */
export function ExtraFields({ offer, choices, nameOf, onKnown, onChange }: PanelProps<ComboDocument>) {
  const { extra = {}, ...rest } = offer;
  const put = (next: Record<string, string>) =>
    onChange(Object.keys(next).length > 0 ? { ...rest, extra: next } : rest);
  if (offer.value && 'percentOff' in offer.value)
    return <span className="block">A percentage of the tags already tells dear items from cheap ones.</span>;
  return (
    <span className="block space-y-2">
      {Object.entries(extra).map(([sku, amount]) => (
        <span key={sku} className="flex items-end gap-2">
          <span className="block flex-1">
            <KeptField
              label={`${nameOf(sku)}: so much more, in ${choices.currency}`}
              text={amount}
              reading={{ read: numberOf, wanted: 'an amount such as 0.50' }}
              onChange={(read) => read !== null && put({ ...extra, [sku]: read })}
            />
          </span>
          <button
            type="button"
            className="btn btn-ghost btn-sm px-1"
            onClick={() => {
              const { [sku]: _, ...others } = extra;
              put(others);
            }}
          >
            <X size={14} aria-label={`no extra for ${nameOf(sku)}`} />
          </button>
        </span>
      ))}
      <ItemField
        name="An item that costs extra"
        chosen={Object.keys(extra)}
        onPick={({ sku, name }) => {
          onKnown({ [sku]: name });
          put({ ...extra, [sku]: extra[sku] ?? '0.50' });
        }}
      />
    </span>
  );
}
