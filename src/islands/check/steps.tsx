import { type LensView, lensQuery, type PriceStory } from '../../contracts/view/index.ts';
import { parseWallTime } from '../../core/calendar/index.ts';
import { shortMoment } from '../../ui/moment.ts';
import { PriceTag } from '../../ui/pieces/index.ts';

/** The week before and the week after: each span of one price, to be pressed for its own why. */
export function Steps({ story, view, item }: { story: PriceStory; view: LensView; item: string }) {
  const { steps, at } = story;
  const to = (moment: string) => `/check${lensQuery({ ...view.lens, at: moment.slice(0, 16) }, { item })}`;
  const moment = at.slice(0, 16);
  return (
    <section>
      <h3 className="font-semibold text-sm">Before and after</h3>
      <StepLine steps={steps} at={moment} />
      <ol className="mt-2">
        {steps.map((step, i) => {
          const here = step.from.slice(0, 16) <= moment && moment < step.to.slice(0, 16);
          return (
            <li key={step.from}>
              <a
                href={to(step.from)}
                aria-current={here ? 'time' : undefined}
                className={`hairline flex items-baseline gap-3 border-b py-1.5 hover:bg-base-200 ${here ? 'border-l-4 border-l-primary pl-2' : ''}`}
              >
                <span className="w-40 flex-none whitespace-nowrap text-sm">
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

const WIDTH = 400;
const HEIGHT = 64;

/** The same as a line: higher is dearer. The words below say it all; this is for the eye. */
function StepLine({ steps, at }: { steps: PriceStory['steps']; at: string }) {
  const priced = steps.filter((step) => step.price !== null);
  const first = steps[0];
  const last = steps.at(-1);
  if (priced.length === 0 || !first || !last) return null;
  const wall = (text: string) => parseWallTime(text.slice(0, 16))!;
  const values = priced.map(({ price }) => Number(price));
  const low = Math.min(...values);
  const high = Math.max(...values);
  const x = (text: string) => ((wall(text) - wall(first.from)) / (wall(last.to) - wall(first.from))) * WIDTH;
  const y = (price: string) =>
    high === low ? HEIGHT / 2 : 8 + ((high - Number(price)) / (high - low)) * (HEIGHT - 16);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-2 w-full" aria-hidden="true">
      <line x1={x(at)} x2={x(at)} y1={0} y2={HEIGHT} stroke="var(--color-primary)" strokeWidth="1.5" />
      {priced.map((step) => (
        <line
          key={step.from}
          x1={x(step.from)}
          x2={x(step.to)}
          y1={y(step.price!)}
          y2={y(step.price!)}
          stroke="currentColor"
          strokeWidth={step.promotion ? 5 : 2}
        />
      ))}
    </svg>
  );
}
