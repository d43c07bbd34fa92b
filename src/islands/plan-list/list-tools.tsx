import type { LensView } from '../../contracts/view/index.ts';
import { parseLocalDate } from '../../core/calendar/index.ts';
import { ChoiceRow } from '../../ui/pieces/index.ts';
import { isKept, KEPT, type ListDesk, type ListEvent, type ListedPromotion } from './list-desk.ts';
import type { useCloseRows } from './use-close-rows.ts';

/** Which promotions are looked at, and how. */
export function ListTools({
  desk,
  tell,
  all,
  found,
  shown,
  rows,
  view,
  plans,
}: {
  desk: ListDesk;
  tell: (event: ListEvent) => void;
  all: readonly ListedPromotion[];
  /** Those that the words typed fit, and those of them that are kept. */
  found: readonly ListedPromotion[];
  shown: readonly ListedPromotion[];
  rows: ReturnType<typeof useCloseRows>;
  view: LensView;
  plans: boolean;
}) {
  const choose = (some: readonly ListedPromotion[]) =>
    tell({ type: 'chosen', ids: some.map(({ promotion }) => promotion.id) });
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
      <input
        type="search"
        data-search=""
        className="input input-sm w-64"
        placeholder="Name, goods, place, item number"
        aria-label="Find a promotion"
        value={desk.text}
        onChange={(event) => tell({ type: 'searched', text: event.target.value })}
      />
      <ChoiceRow
        name="Which promotions"
        choices={KEPT.map((one) => ({
          value: one.kept,
          words: `${one.words} ${found.filter((each) => isKept(each, one.kept)).length}`,
        }))}
        chosen={desk.kept}
        onChoose={(kept) => tell({ type: 'kept', kept })}
      />
      <button
        type="button"
        className="link ml-auto text-sm"
        aria-pressed={rows.close}
        onClick={() => rows.setClose(!rows.close)}
      >
        {rows.close ? 'With their sentences' : 'One line each'}
      </button>
      {plans && shown.length > 0 ? (
        <span className="flex gap-3 text-sm">
          <button type="button" className="link" onClick={() => choose(shown)}>
            Choose all shown
          </button>
          <button
            type="button"
            className="link"
            title="Every one that starts in the week of the lens, Monday to Sunday"
            onClick={() => choose(all.filter(({ promotion }) => inWeekOf(promotion.from, view.at)))}
          >
            Choose this week’s starts
          </button>
        </span>
      ) : null}
    </div>
  );
}

/** Whether a moment lies in the same week, Monday to Sunday, as another. */
function inWeekOf(moment: string, other: string): boolean {
  const weekOf = (text: string) => Math.floor((parseLocalDate(text.slice(0, 10))! + 3) / 7);
  return weekOf(moment) === weekOf(other);
}
