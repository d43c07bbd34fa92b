import { useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { useState } from 'react';
import { ask } from '../server/index.ts';

/** Finds one item by barcode, SKU or words of its name. */
export function ItemSearch({ onPick, startOpen }: { onPick: (sku: string) => void; startOpen: boolean }) {
  const [text, setText] = useState('');
  const { data, isError } = useQuery({
    queryKey: ['items', text.trim()],
    queryFn: () =>
      ask<{ sku: string; name: string; gtin: string | null }[]>(
        `/api/items?q=${encodeURIComponent(text.trim())}`,
      ),
    enabled: text.trim().length >= 2,
    placeholderData: (before) => before,
  });
  const open = text.trim().length >= 2;
  return (
    <Command
      label="Find an item"
      shouldFilter={false}
      className="relative max-w-xl"
      onKeyDown={(event) => {
        if (event.key === 'Escape') setText('');
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
            onSelect={() => {
              setText('');
              onPick(sku);
            }}
            className="flex cursor-pointer gap-3 rounded-field px-2 py-1.5 data-[selected=true]:bg-accent data-[selected=true]:text-accent-content"
          >
            <span className="flex-1">{name}</span>
            <span className="text-sm opacity-80">{sku}</span>
            <span className="w-28 text-right text-sm opacity-80 max-sm:hidden">{gtin}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  );
}
