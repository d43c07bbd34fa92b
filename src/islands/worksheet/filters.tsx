import { SHEET_FILTERS, type SheetFilter } from '../../core/worksheet/index.ts';

const WORDS: Readonly<Record<SheetFilter, string>> = {
  all: 'All',
  'below-cost': 'Below cost',
  'below-floor': 'Below the margin floor',
  rises: 'Rises',
  unchanged: 'Changes nothing',
  'no-price': 'No new price',
  'by-hand': 'By hand',
  elsewhere: 'Reduced elsewhere',
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
    <fieldset className="flex flex-wrap gap-x-1">
      <legend className="sr-only">Which lines</legend>
      {offered.map((filter) => (
        <label key={filter} className="choice">
          <input
            type="radio"
            name="worksheet-filter"
            className="sr-only"
            checked={chosen === filter}
            onChange={() => onChange(filter)}
          />
          {WORDS[filter]} {counts[filter].toLocaleString('en')}
        </label>
      ))}
    </fieldset>
  );
}
