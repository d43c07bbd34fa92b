import { useEffect, useRef } from 'react';
import type { ComparedView } from '../../contracts/view/index.ts';
import { monthDay } from '../../ui/writing/index.ts';
import { useSame } from '../server/index.ts';
import { saidEstimate } from './compared.tsx';

export const MEASURES = ['takings', 'margin', 'units'] as const;
export type Measure = (typeof MEASURES)[number];
export const MEASURE_WORDS = { takings: 'Takings', margin: 'Margin', units: 'Units' } as const;

type Days = readonly (ComparedView & { readonly date: string })[];

/** Two lines over days: without, dashed, and with. The table below says it all; this is for the eye. */
export function DayChart({ days, measure }: { days: Days; measure: Measure }) {
  const place = useRef<HTMLDivElement>(null);
  const drawn = useSame(days);
  useEffect(() => {
    const element = place.current;
    if (!element || drawn.length < 2) return;
    let gone = false;
    let dispose = () => {};
    draw(element, drawn, measure).then((free) => {
      if (gone) free();
      else dispose = free;
    });
    return () => {
      gone = true;
      dispose();
    };
  }, [drawn, measure]);
  if (drawn.length < 2) return null;
  return <div ref={place} className="mt-3 h-52 w-full max-w-4xl" aria-hidden="true" />;
}

async function draw(element: HTMLElement, days: Days, measure: Measure): Promise<() => void> {
  const { init } = await import('./day-lines.ts');
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string) => style.getPropertyValue(`--color-${name}`).trim();
  const valuesOf = (side: 'without' | 'with') => days.map((day) => Number(day[side][measure] ?? 0));
  const said = (value: number) => saidEstimate(value);
  const chart = init(element);
  const line = (name: string, side: 'without' | 'with', type: 'solid' | 'dashed', of: string) => ({
    ...{ name, type: 'line', data: valuesOf(side), symbol: days.length > 20 ? 'none' : 'circle' },
    ...{ symbolSize: 5, itemStyle: { color: colour(of) }, lineStyle: { color: colour(of), width: 2, type } },
    ...{ endLabel: { show: true, formatter: name, color: colour('base-content') } },
  });
  chart.setOption({
    animation: false,
    textStyle: { fontFamily: getComputedStyle(element).fontFamily },
    grid: { left: 8, right: 76, top: 12, bottom: 4, containLabel: true },
    xAxis: {
      type: 'category',
      data: days.map(({ date }) => date),
      axisLabel: {
        color: colour('base-content'),
        hideOverlap: true,
        formatter: (date: string) => monthDay(date),
      },
      axisLine: { lineStyle: { color: colour('base-300') } },
    },
    yAxis: {
      type: 'value',
      scale: true,
      splitNumber: 3,
      axisLabel: { color: colour('base-content'), formatter: (value: number) => said(value) },
      splitLine: { lineStyle: { color: colour('base-300') } },
    },
    tooltip: {
      trigger: 'axis',
      formatter: (shown: { name: string; seriesName: string; value: number }[]) =>
        [
          monthDay(shown[0]!.name),
          ...shown.map(({ seriesName, value }) => `${seriesName} ${said(value)}`),
        ].join('<br>'),
    },
    series: [line('without', 'without', 'dashed', 'base-content'), line('with', 'with', 'solid', 'primary')],
  } as never);
  const resize = () => chart.resize();
  addEventListener('resize', resize);
  return () => {
    removeEventListener('resize', resize);
    chart.dispose();
  };
}
