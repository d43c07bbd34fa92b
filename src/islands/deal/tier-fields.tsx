import { X } from 'lucide-react';
import { useState } from 'react';
import type { ValueDocument } from '../../core/plan/index.ts';
import { KeptField } from '../../ui/pieces/index.ts';
import { countOf, numberOf } from '../sentence/typed-numbers.ts';
import { ValueFields, type Way } from './value-fields.tsx';

export type Tier = { atLeast: number | string } & ValueDocument;

/** The tiers of a deal: from where on, and what then. */
export function TierFields({
  tiers,
  ways,
  currency,
  inMoney,
  onChange,
}: {
  tiers: readonly Tier[];
  ways: readonly Way[];
  currency: string;
  /** Tiers begin at an amount, not at a number of units. */
  inMoney: boolean;
  onChange: (tiers: Tier[]) => void;
}) {
  // Fields keep what is typed: a tier keeps its own where one before it is taken away.
  const [keys, setKeys] = useState(() => tiers.map((_, i) => i));
  const put = (at: number, tier: Tier) => onChange(tiers.map((one, i) => (i === at ? tier : one)));
  const add = () => {
    const last = tiers.at(-1)!;
    const next = inMoney ? String(Number(last.atLeast) + 20) : Number(last.atLeast) + 3;
    setKeys([...keys, Math.max(...keys) + 1]);
    onChange([...tiers, { ...last, atLeast: next }]);
  };
  return (
    <span className="block space-y-2">
      {tiers.map((tier, i) => {
        const { atLeast, ...value } = tier;
        return (
          <span key={keys[i]} className="flex items-end gap-2 border-base-300 border-b pb-2">
            <span className="block w-18">
              <KeptField<number | string>
                label={inMoney ? `From, ${currency}` : 'From'}
                text={String(atLeast)}
                inputMode={inMoney ? 'decimal' : 'numeric'}
                reading={
                  inMoney
                    ? { read: numberOf, wanted: 'an amount such as 30' }
                    : { read: countOf, wanted: 'a whole number from 1' }
                }
                onChange={(read) => read !== null && put(i, { ...tier, atLeast: read })}
              />
            </span>
            <span className="block flex-1">
              <ValueFields
                value={value as ValueDocument}
                ways={ways}
                currency={currency}
                onChange={(next) => put(i, { atLeast, ...next })}
              />
            </span>
            {tiers.length > 1 ? (
              <button
                type="button"
                className="btn btn-ghost btn-sm px-1"
                onClick={() => {
                  setKeys(keys.filter((_, at) => at !== i));
                  onChange(tiers.filter((_, at) => at !== i));
                }}
              >
                <X size={14} aria-label={`take away the tier from ${atLeast}`} />
              </button>
            ) : null}
          </span>
        );
      })}
      <button type="button" className="btn btn-xs" onClick={add}>
        Another tier
      </button>
    </span>
  );
}
