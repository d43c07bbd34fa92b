import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, type PromotionSummary } from '../../contracts/view/index.ts';
import { withoutDates } from '../../core/sentence/index.ts';
import { PhaseMark } from '../../ui/pieces/index.ts';
import { saidCount, writing } from '../../ui/writing/index.ts';
import type { ListedPromotion } from './list-desk.ts';
import { RunBar, WeekHeads, weeksAround } from './run-bar.tsx';

/** Where what waits beside it stands. */
function WaitingWords({ waiting }: { waiting: PromotionSummary['waiting'] }) {
  if (!waiting) return null;
  const words = {
    written: waiting.change ? 'a change is written' : '',
    submitted: waiting.change ? 'a change waits' : 'submitted',
    'sent-back': waiting.change ? 'a change sent back' : 'sent back',
  } as const;
  return (
    <span className="block text-[13px] italic" title={waiting.reason ?? undefined}>
      {words[waiting.state]}
    </span>
  );
}

/** The promotions of the list, a row each. */
export function PromotionTable({
  rows,
  close,
  view,
  chosen,
  onChoose,
}: {
  rows: readonly ListedPromotion[];
  /** A line each, without the sentences. */
  close: boolean;
  view: LensView;
  /** Null: nothing can be chosen. */
  chosen: ReadonlySet<string> | null;
  onChoose: (id: string) => void;
}) {
  const weeks = weeksAround(view.at);
  const query = lensQuery(view.lens);
  return (
    <table className={`rows mt-3 table-fixed ${close ? 'rows-close' : ''}`}>
      <caption className="sr-only">Promotions</caption>
      <thead>
        <tr>
          {chosen ? (
            <th className="w-8">
              <span className="sr-only">Chosen</span>
            </th>
          ) : null}
          <th>Promotion</th>
          <th className="w-24 max-md:hidden">State</th>
          <th className="w-72 max-lg:hidden">
            <WeekHeads weeks={weeks} />
          </th>
          <th className="figure w-20 max-md:hidden">Stores</th>
          <th className="figure w-16 max-md:hidden">Priority</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ promotion, phase }) => (
          <tr key={promotion.id} className="[content-visibility:auto] hover:bg-base-200">
            {chosen ? (
              <td>
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  aria-label={`Choose ${promotion.name}`}
                  checked={chosen.has(promotion.id)}
                  onChange={() => onChoose(promotion.id)}
                />
              </td>
            ) : null}
            <td>
              <a className="font-medium hover:underline" href={`/plan/${idInAddress(promotion.id)}${query}`}>
                {promotion.name}
              </a>
              {close ? null : <Sentences of={promotion} />}
              <span className="text-sm md:hidden">
                <PhaseMark phase={phase} /> <WaitingWords waiting={promotion.waiting} />
              </span>
            </td>
            <td className="max-md:hidden">
              <PhaseMark phase={phase} />
              <WaitingWords waiting={promotion.waiting} />
            </td>
            <td className="max-lg:hidden">
              <RunBar promotion={promotion} phase={phase} weeks={weeks} at={view.at} brief={close} />
            </td>
            <td className="figure max-md:hidden">{saidCount(promotion.stores)}</td>
            <td className="figure max-md:hidden">{promotion.priority}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What it does; the dates stand beside it where there is room for them. */
function Sentences({ of: { sentence, from, to } }: { of: PromotionSummary }) {
  return (
    <>
      <span className="quiet line-clamp-2 text-sm md:line-clamp-1 lg:hidden" title={sentence}>
        {sentence}
      </span>
      <span className="quiet line-clamp-1 text-sm max-lg:hidden" title={sentence}>
        {withoutDates(sentence, { from, to: to ?? undefined }, writing())}
      </span>
    </>
  );
}
