import { useEffect, useRef } from 'react';
import type { PriceStory } from '../../contracts/view/index.ts';
import { parseWallTime } from '../../core/calendar/index.ts';
import { monthDay, saidAmount, saidClock, shortMoment } from '../../ui/writing/index.ts';
import { useSame } from '../server/index.ts';

type Steps = PriceStory['steps'];

const wall = (text: string): number => parseWallTime(text.slice(0, 16))!;

/** The steps as a line: higher is dearer. The words below say it all; this is for the eye. */
export function StepChart({ steps, at, currency }: { steps: Steps; at: string; currency: string }) {
  const place = useRef<HTMLDivElement>(null);
  const drawn = useSame(steps);
  useEffect(() => {
    const element = place.current;
    if (!element) return;
    let gone = false;
    let dispose = () => {};
    // Fetched once a price is there to be drawn.
    draw(element, drawn, at, currency).then((free) => {
      if (gone) free();
      else dispose = free;
    });
    return () => {
      gone = true;
      dispose();
    };
  }, [drawn, at, currency]);
  if (steps.every(({ price }) => price === null)) return null;
  return <div ref={place} className="mt-2 h-36 w-full" aria-hidden="true" />;
}

/** Hours where the chart is of a day or two, days elsewhere. */
function axisWords(moment: number, span: number): string {
  const text = new Date(moment).toISOString();
  return span <= 2 * 86_400_000 ? saidClock(text.slice(11, 16)) : monthDay(text.slice(0, 10));
}

async function draw(element: HTMLElement, steps: Steps, at: string, currency: string): Promise<() => void> {
  const { init } = await import('./step-line.ts');
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string) => style.getPropertyValue(`--color-${name}`).trim();
  const points = steps.flatMap((step) => [
    [wall(step.from), step.price === null ? null : Number(step.price)],
    [wall(step.to) - 1, step.price === null ? null : Number(step.price)],
  ]);
  const chart = init(element);
  chart.setOption({
    animation: false,
    textStyle: { fontFamily: getComputedStyle(element).fontFamily },
    useUTC: true,
    grid: { left: 44, right: 8, top: 10, bottom: 22 },
    xAxis: {
      type: 'time',
      min: points[0]![0],
      max: points.at(-1)![0],
      axisLabel: {
        color: colour('base-content'),
        hideOverlap: true,
        formatter: (moment: number) => axisWords(moment, points.at(-1)![0]! - points[0]![0]!),
      },
      axisLine: { lineStyle: { color: colour('base-300') } },
    },
    yAxis: {
      type: 'value',
      scale: true,
      splitNumber: 3,
      axisLabel: {
        color: colour('base-content'),
        formatter: (value: number) => saidAmount(value.toFixed(2)),
      },
      splitLine: { lineStyle: { color: colour('base-300') } },
    },
    tooltip: {
      trigger: 'axis',
      formatter: (shown: { value: [number, number | null] }[]) => {
        const [moment, price] = shown[0]!.value;
        const text = new Date(moment).toISOString().slice(0, 16);
        return `${shortMoment(text, at)}: ${price === null ? 'not sold' : `${saidAmount(price.toFixed(2))} ${currency}`}`;
      },
    },
    series: [
      {
        type: 'line',
        data: points,
        symbol: 'none',
        lineStyle: { color: colour('base-content'), width: 2 },
        markLine: {
          symbol: 'none',
          silent: true,
          label: { show: false },
          lineStyle: { color: colour('primary'), type: 'solid', width: 1.5 },
          data: [{ xAxis: wall(at) }],
        },
      },
    ],
  });
  const resized = new ResizeObserver(() => chart.resize());
  resized.observe(element);
  return () => {
    resized.disconnect();
    chart.dispose();
  };
}
