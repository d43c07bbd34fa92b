import { SHEET_FILTERS, type SheetFilter } from '../../core/worksheet/index.ts';
import { ChoiceRow } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

const WORDS: Readonly<Record<SheetFilter, string>> = {
  all: 'All',
  'below-cost': 'Below cost',
  'below-floor': 'Below the margin floor',
  rises: 'Rises',
  unchanged: 'Changes nothing',
  'no-price': 'No new price',
  'by-hand': 'By hand',
  elsewhere: 'Reduced elsewhere',
  differs: 'Priced by place',
  stays: 'Stays as it is',
  removed: 'Taken out',
};

/** Which lines are looked at; filters that would show nothing are not offered. */
export function Filters({
  counts,
  chosen,
  regular,
  onChange,
}: {
  counts: Readonly<Record<SheetFilter, number>>;
  chosen: SheetFilter;
  regular: boolean;
  onChange: (filter: SheetFilter) => void;
}) {
  const offered = SHEET_FILTERS.filter(
    (filter) =>
      filter === 'all' || filter === chosen || (counts[filter] > 0 && !(regular && filter === 'elsewhere')),
  );
  return (
    <ChoiceRow
      name="Which lines"
      choices={offered.map((value) => ({
        value,
        words: `${WORDS[value]} ${saidCount(counts[value])}`,
      }))}
      chosen={chosen}
      onChoose={onChange}
    />
  );
}
