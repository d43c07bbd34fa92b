import { useState } from 'react';
import type { LensView } from '../../contracts/view/index.ts';
import type { ItemRule } from '../../core/plan/index.ts';
import { itemWords, namesOf } from '../../core/sentence/index.ts';
import { Part } from '../../ui/pieces/index.ts';
import { writing } from '../../ui/writing/index.ts';
import { Selection, useChoices } from '../selection/index.ts';

/** Narrows the items to what a rule selects, in the words of the rule. */
export function GoodsFilter({
  rule,
  view,
  onChange,
}: {
  rule: ItemRule | null;
  view: LensView;
  onChange: (rule: ItemRule | null) => void;
}) {
  const [known, setKnown] = useState<Record<string, string>>({});
  const choices = useChoices();
  if (!choices.data) return null;
  const items = Object.entries(known).map(([sku, name]) => ({ sku, name })) as never;
  const names = namesOf({ ...choices.data, items }, writing());
  const wordsOf = (one: ItemRule) => itemWords(one, names);
  return (
    <span className="text-sm">
      <Part name="Which goods" words={rule ? wordsOf(rule) : 'all goods'} wide>
        {() => (
          <span className="block">
            <Selection<ItemRule>
              of="items"
              rule={rule}
              choices={choices.data}
              wordsOf={wordsOf}
              looking={{ store: view.store.id, at: view.at }}
              onKnown={(found) => setKnown((before) => ({ ...before, ...found }))}
              onChange={(next) => onChange('anyOf' in next && next.anyOf.length === 0 ? null : next)}
            />
          </span>
        )}
      </Part>
      {rule ? (
        <button type="button" className="link ml-2" onClick={() => onChange(null)}>
          all goods
        </button>
      ) : null}
    </span>
  );
}
