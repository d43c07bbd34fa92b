import type { ItemRule } from '../../core/plan/index.ts';
import { Selection } from '../selection/index.ts';
import type { PanelProps } from './panel-props.ts';

/** The goods of a deal or of one of its parts. */
export function GoodsField<O>({
  choices,
  looking,
  wordsOf,
  onKnown,
  items,
  onItems,
}: Omit<PanelProps<O>, 'offer' | 'part' | 'onChange'> & {
  items: ItemRule;
  onItems: (items: ItemRule) => void;
}) {
  return (
    <Selection<ItemRule>
      of="items"
      rule={items}
      choices={choices}
      wordsOf={wordsOf}
      looking={looking}
      onKnown={onKnown}
      onChange={onItems}
    />
  );
}
