import { useState } from 'react';
import { readDecimal } from '../../contracts/table/index.ts';
import type { SupplierTermsDocument } from '../../core/plan/index.ts';
import { FaultField } from '../../ui/pieces/index.ts';
import { asTyped, inField } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';
import { beginTerms, type Draft } from '../draft/draft.ts';
import { basisPointsOf } from './typed-numbers.ts';

/** From when until when the goods can be bought cheaper, at what cost, and how much more is thought to be sold. */
export function SupplierPart({
  draft,
  currency,
  onChange,
}: {
  draft: Draft;
  currency: string;
  onChange: (draft: Draft) => void;
}) {
  const terms = draft.supplier;
  const begin = () => onChange({ ...draft, supplier: beginTerms(draft) });
  if (!terms)
    return (
      <span className="block text-sm">
        The goods can be bought cheaper for a while? Say from when until when and at what cost: margins then
        count with it, and you are told where the promotion outlives it.
        <button type="button" className="btn btn-sm mt-2 block" onClick={begin}>
          Note the supplier’s terms
        </button>
      </span>
    );
  const put = (part: Partial<SupplierTermsDocument>) => {
    const next = Object.entries({ ...terms, ...part }).filter(
      ([, value]) => value !== undefined && value !== '',
    );
    onChange({ ...draft, supplier: Object.fromEntries(next) as never });
  };
  const drop = () => {
    const { supplier: _, ...rest } = draft;
    onChange(rest as Draft);
  };
  return (
    <span className="block space-y-2 text-sm">
      <label className="block">
        Supplier
        <input
          className="input input-sm mt-0.5 w-full"
          value={terms.supplier ?? ''}
          maxLength={200}
          onChange={(event) => put({ supplier: event.target.value })}
        />
      </label>
      <span className="flex gap-2">
        <span className="flex-1">
          <DayField label="Buy from" value={terms.from ?? ''} onChange={(from) => put({ from })} />
        </span>
        <span className="flex-1">
          <DayField label="up to and on" value={terms.to} onChange={(to) => to && put({ to })} />
        </span>
      </span>
      <Typed
        label={`Cost of each, for all the goods, in ${currency}`}
        value={terms.cost ?? ''}
        read={(text) => readDecimal(asTyped(text))}
        wanted="an amount such as 4.20"
        onChange={(cost) => put({ cost })}
      />
      <Typed
        label="Sold above an ordinary week, in %"
        value={terms.uplift === undefined ? '' : String(terms.uplift / 100)}
        read={basisPointsOf}
        wanted="a percentage such as 80"
        onChange={(uplift) => put({ uplift })}
      />
      {Object.keys(terms.costs ?? {}).length > 0 ? (
        <span className="quiet block">
          Costs of single items, typed into the worksheet: {Object.keys(terms.costs!).length}.
        </span>
      ) : null}
      <button type="button" className="btn btn-xs" onClick={drop}>
        No terms
      </button>
    </span>
  );
}

/** Keeps what is typed; only what can be read goes on. Nothing typed is nothing said. */
function Typed<T>({
  label,
  value,
  read,
  wanted,
  onChange,
}: {
  label: string;
  value: string;
  read: (text: string) => T | null;
  wanted: string;
  onChange: (value: T | undefined) => void;
}) {
  const [text, setText] = useState(inField(value));
  const wrong = text.trim() !== '' && read(text) === null;
  return (
    <FaultField
      label={label}
      value={text}
      fault={wrong ? `wanted: ${wanted}` : null}
      onChange={(next) => {
        setText(next);
        const found = next.trim() === '' ? undefined : read(next);
        if (found !== null) onChange(found);
      }}
    />
  );
}
