import { useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { useState } from 'react';
import { meantBy, usePendingEnter } from '../../ui/pieces/index.ts';
import { ask } from '../server/index.ts';
import { Scan } from './scan.tsx';

/** 8 to 14 digits and nothing else. */
const A_BARCODE = /^\d{8}(\d{4,6})?$/;

/** Finds one item by barcode, SKU or words of its name. */
export function ItemSearch({
  onPick,
  startOpen,
  known,
}: {
  onPick: (sku: string) => void;
  startOpen: boolean;
  /** As a lens says it: among the goods that were known then. */
  known?: string;
}) {
  const [text, setText] = useState('');
  const { data, isError } = useQuery({
    queryKey: ['items', text.trim(), known],
    queryFn: () =>
      ask<{ sku: string; name: string; gtin: string | null }[]>(
        `/api/items?${new URLSearchParams({ q: text.trim(), ...(known ? { known } : {}) })}`,
      ),
    enabled: text.trim().length >= 2,
  });
  const open = text.trim().length >= 2;
  const pick = (sku: string) => {
    setText('');
    onPick(sku);
  };
  const enter = usePendingEnter(text, !open || data !== undefined, () => {
    const meant = meantBy(text, data ?? []);
    if (meant) pick(meant.sku);
  });
  const [unknown, setUnknown] = useState<string | null>(null);
  async function pickCode(code: string): Promise<void> {
    const { found } = await ask<{ found: { sku: string }[] }>('/api/items', {
      method: 'POST',
      body: { codes: [code] },
    });
    setUnknown(found[0] ? null : code);
    setText('');
    if (found[0]) onPick(found[0].sku);
  }
  return (
    <div className="flex flex-wrap items-center gap-3">
      <Command
        label="Find an item"
        shouldFilter={false}
        className="relative w-full max-w-xl"
        onKeyDown={(event) => {
          if (event.key === 'Escape') setText('');
          enter(event);
          // A scanner ends a barcode with Enter, faster than any search answers.
          if (event.key !== 'Enter' || !A_BARCODE.test(text.trim())) return;
          event.preventDefault();
          pickCode(text.trim());
        }}
      >
        <Command.Input
          data-search=""
          autoFocus={startOpen}
          className="input w-full"
          placeholder="Barcode, SKU or name"
          aria-label="Find an item"
          value={text}
          onValueChange={setText}
        />
        <Command.List
          tabIndex={open ? 0 : -1}
          hidden={!open}
          className="absolute inset-x-0 z-20 mt-1 max-h-80 overflow-y-auto rounded-box border border-base-content/25 bg-base-100 p-1 shadow-lg"
        >
          <Command.Empty className="quiet px-2 py-1">
            {isError
              ? 'Bell Tag did not answer. Type again.'
              : data
                ? `Nothing matches “${text}”.`
                : 'Searching …'}
          </Command.Empty>
          {(open ? (data ?? []) : []).map(({ sku, name, gtin }) => (
            <Command.Item
              key={sku}
              value={sku}
              onSelect={() => pick(sku)}
              className="flex cursor-pointer gap-3 rounded-field px-2 py-1.5 data-[selected=true]:bg-accent data-[selected=true]:text-accent-content"
            >
              <span className="flex-1">{name}</span>
              <span className="text-sm opacity-80">{sku}</span>
              <span className="w-28 text-right text-sm opacity-80 max-sm:hidden">{gtin}</span>
            </Command.Item>
          ))}
        </Command.List>
      </Command>
      <Scan onCode={pickCode} />
      {unknown ? (
        <p role="alert" className="w-full text-error">
          No item has the barcode {unknown}.
        </p>
      ) : null}
    </div>
  );
}
