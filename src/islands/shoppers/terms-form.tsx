import { useState } from 'react';
import type { ShopperView } from '../../contracts/view/index.ts';

interface Choice {
  readonly id: string;
  readonly name: string;
}

/** The account that somebody belongs to, and a price list of their own: it is the plan that says so. */
export function TermsForm({
  shopper: { account, priceList, choices, kind },
  busy,
  onKeep,
}: {
  shopper: ShopperView;
  busy: boolean;
  onKeep: (terms: { account: string | null; priceList: string | null }) => void;
}) {
  const [of, setOf] = useState(account?.id ?? '');
  const [list, setList] = useState(priceList ?? '');
  const changed = of !== (account?.id ?? '') || list !== (priceList ?? '');
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3 text-sm"
      aria-label="Own terms"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep({ account: of || null, priceList: list || null });
      }}
    >
      {kind === 'account' ? null : (
        <Choose label="Belongs to" none="no account" value={of} options={choices.accounts} onChange={setOf} />
      )}
      <Choose
        label="Price list of their own"
        none="none"
        value={list}
        options={choices.lists}
        onChange={setList}
      />
      <button type="submit" className="btn btn-sm" disabled={busy || !changed}>
        Keep these terms
      </button>
    </form>
  );
}

function Choose({
  label,
  none,
  value,
  options,
  onChange,
}: {
  label: string;
  none: string;
  value: string;
  options: readonly Choice[];
  onChange: (value: string) => void;
}) {
  return (
    <label className="block">
      {label}
      <select
        className="select select-sm mt-0.5 block w-52"
        value={value}
        onChange={({ target }) => onChange(target.value)}
      >
        <option value="">{none}</option>
        {options.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
