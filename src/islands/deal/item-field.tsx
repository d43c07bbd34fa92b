import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { PickList } from '../../ui/pieces/index.ts';
import { ask } from '../server/index.ts';

interface Found {
  readonly sku: string;
  readonly name: string;
}

/** Finds single items by typing. */
export function ItemField({
  name,
  chosen,
  onPick,
}: {
  name: string;
  chosen: readonly string[];
  onPick: (item: Found) => void;
}) {
  const [text, setText] = useState('');
  const sought = text.trim().length >= 2;
  const { data, isError } = useQuery({
    queryKey: ['items', text.trim()],
    queryFn: () => ask<Found[]>(`/api/items?q=${encodeURIComponent(text.trim())}`),
    enabled: sought,
  });
  return (
    <span className="block">
      <span className="mb-0.5 block">{name}</span>
      <PickList
        name={name}
        options={(data ?? []).map(({ sku, name: label }) => ({
          value: sku,
          label,
          note: sku,
          kind: 'Items',
        }))}
        chosen={chosen}
        onPick={(sku) => onPick(data!.find((item) => item.sku === sku)!)}
        onSearch={setText}
        settled={!sought || isError || data !== undefined}
      />
    </span>
  );
}
