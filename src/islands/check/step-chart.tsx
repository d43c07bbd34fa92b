import type { PriceStory } from '../../contracts/view/index.ts';
import { parseWallTime } from '../../core/calendar/index.ts';
import { monthDay, saidAmount, saidClock } from '../../ui/writing/index.ts';
import { type Labelled, stepLine } from './step-line.ts';

type Steps = PriceStory['steps'];

const wall = (text: string): number => parseWallTime(text.slice(0, 16))!;
const TWO_DAYS = 2 * 86_400_000;

/**
 * The steps as a line: higher is dearer, and each price that fits is written beside it. The words below say it all; this
 * is for the eye, and a line of right angles needs no more than a path: what draws charts is ten times the page.
 */
export function StepChart({ steps, at }: { steps: Steps; at: string }) {
  const line = stepLine(
    steps.map(({ from, to, price }) => ({
      from: wall(from),
      to: wall(to),
      price: price === null ? null : Number(price),
    })),
    wall(at),
  );
  if (line === null) return null;
  const { path, prices, moments, now, span } = line;
  return (
    <div
      className="mt-2 grid h-36 grid-cols-[2.75rem_minmax(0,1fr)] grid-rows-[minmax(0,1fr)_1.25rem] text-[13px]"
      aria-hidden="true"
    >
      <div className="relative">
        {prices.map(({ value, place }) => (
          <span key={value} className="absolute right-2 -translate-y-1/2" style={{ top: `${place}%` }}>
            {saidAmount(value.toFixed(2))}
          </span>
        ))}
      </div>
      <svg
        aria-hidden="true"
        viewBox="0 0 100 100"
        preserveAspectRatio="none"
        className="h-full w-full overflow-visible"
      >
        {prices.map(({ value, place }) => (
          <path
            key={value}
            d={`M0 ${place}H100`}
            className="stroke-base-300"
            vectorEffect="non-scaling-stroke"
          />
        ))}
        <path
          d={`M${now} 0V100`}
          className="stroke-primary"
          strokeWidth="1.5"
          vectorEffect="non-scaling-stroke"
        />
        <path
          d={path}
          className="fill-none stroke-base-content"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <div className="relative col-start-2">
        {moments.map(({ value, place }) => (
          <span key={value} className="absolute top-1 whitespace-nowrap" style={edgeOf(place)}>
            {momentWords(value, span)}
          </span>
        ))}
      </div>
    </div>
  );
}

/** Words at the edges stay within the chart. */
const edgeOf = (place: Labelled['place']) =>
  place > 85
    ? { right: `${100 - place}%` }
    : place < 15
      ? { left: `${place}%` }
      : { left: `${place}%`, translate: '-50%' };

/** Hours where the chart is of a day or two, days elsewhere. */
function momentWords(moment: number, span: number): string {
  const text = new Date(moment).toISOString();
  return span <= TWO_DAYS ? saidClock(text.slice(11, 16)) : monthDay(text.slice(0, 10));
}
