import { useQuery } from '@tanstack/react-query';
import { dequal } from 'dequal/lite';
import { useState } from 'react';
import type { ItemRule } from '../../core/plan/index.ts';
import { PickList } from '../../ui/pieces/index.ts';
import { ask } from '../server/index.ts';
import { goodsChoices, storeChoices } from './choices.ts';
import { MoreGoods } from './more-goods.tsx';
import type { Rule, SelectionProps } from './selection.tsx';

/** Finds parts by typing: places in the hierarchy, sets, brands, tags, attributes, prices and single items; or stores. */
export function Leaf<R extends Rule>({
  of,
  choices,
  picked,
  onKnown,
  onToggle,
}: SelectionProps<R> & { picked: readonly R[]; onToggle: (rule: R) => void }) {
  const [text, setText] = useState('');
  const searching = of === 'items' && text.trim().length >= 2;
  const { data, isError } = useQuery({
    queryKey: ['items', text],
    queryFn: async () => {
      const found = await ask<{ sku: string; name: string }[]>(`/api/items?q=${encodeURIComponent(text)}`);
      onKnown?.(Object.fromEntries(found.map(({ sku, name }) => [sku, name])));
      return found;
    },
    enabled: searching,
  });
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const all = of === 'items' ? goodsChoices(choices, (searching && data) || []) : storeChoices(choices);
  const options = all.filter((choice) =>
    words.every((word) => `${choice.label} ${choice.note ?? ''}`.toLowerCase().includes(word)),
  );
  return (
    <>
      <PickList
        name={of === 'items' ? 'Goods' : 'Stores'}
        options={options}
        chosen={options
          .filter(({ rule }) => picked.some((one) => dequal(one, rule)))
          .map(({ value }) => value)}
        onPick={(value) => onToggle(all.find((choice) => choice.value === value)!.rule as R)}
        onSearch={setText}
        settled={!searching || isError || data !== undefined}
      />
      {of === 'items' ? (
        <MoreGoods choices={choices} onAdd={(rule: ItemRule) => onToggle(rule as R)} onKnown={onKnown} />
      ) : null}
    </>
  );
}
