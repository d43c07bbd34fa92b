import {
  AROUNDS,
  type Around,
  type LensView,
  lensQuery,
  type PriceStory,
} from '../../contracts/view/index.ts';
import { ChoiceRow, PriceTag } from '../../ui/pieces/index.ts';
import { shortMoment } from '../../ui/writing/index.ts';
import { StepChart } from './step-chart.tsx';

const AROUND_WORDS: Readonly<Record<Around, string>> = {
  day: 'The day',
  week: 'Two weeks',
  year: 'The year',
};

/** The time around the moment: each span of one price, to be pressed for its own why. */
export function Steps({
  story,
  view,
  item,
  around,
  onAround,
}: {
  story: PriceStory;
  view: LensView;
  item: string;
  around: Around;
  onAround: (around: Around) => void;
}) {
  const { steps, at } = story;
  const to = (moment: string) =>
    `/check/price${lensQuery({ ...view.lens, at: moment.slice(0, 16) }, { item })}`;
  const moment = at.slice(0, 16);
  return (
    <section>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h3 className="font-semibold text-sm">Before and after</h3>
        <ChoiceRow
          name="How much of the time around"
          choices={AROUNDS.map((value) => ({ value, words: AROUND_WORDS[value] }))}
          chosen={around}
          onChoose={onAround}
        />
        <a
          className="link ml-auto text-sm"
          href={`/check/timeline${lensQuery({ ...view.lens, where: view.group ? view.lens.where : null }, { item })}`}
        >
          Store by store
        </a>
      </div>
      <StepChart steps={steps} at={moment} />
      <ol className="mt-2 max-h-96 overflow-y-auto">
        {steps.map((step, i) => {
          const here = step.from.slice(0, 16) <= moment && moment < step.to.slice(0, 16);
          return (
            <li key={step.from}>
              <a
                href={to(step.from)}
                aria-current={here ? 'time' : undefined}
                className={`hairline flex items-baseline gap-3 border-b py-1.5 hover:bg-base-200 ${here ? 'border-l-4 border-l-primary pl-2' : ''}`}
              >
                <span className="min-w-40 flex-none whitespace-nowrap text-sm">
                  {i === 0 ? 'before that' : `from ${shortMoment(step.from, view.now)}`}
                </span>
                <span className="quiet flex-1 truncate text-sm">{step.promotion?.name ?? ''}</span>
                <span className="text-right">
                  {step.price === null ? (
                    'not sold'
                  ) : (
                    <PriceTag price={step.price} promoted={step.promotion !== null} />
                  )}
                </span>
              </a>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
