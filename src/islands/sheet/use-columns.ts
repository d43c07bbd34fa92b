import { useVirtualizer } from '@tanstack/react-virtual';
import { type RefObject, useEffect } from 'react';
import type { SheetProps } from './sheet-props.ts';

/** So many columns are drawn whether they are seen or not. */
const FEW = 30;
const BEYOND = 3;
/** Pixels of a rem, as the page is set. */
const remOfPage = (): number =>
  typeof document === 'undefined'
    ? 16
    : Number.parseFloat(getComputedStyle(document.documentElement).fontSize);

/** Which columns of a sheet are drawn: the first, which stays in its place, and of many those that are seen. */
export function useColumns(
  scroller: RefObject<HTMLDivElement | null>,
  { columns, onShowColumns }: Pick<SheetProps, 'columns' | 'onShowColumns'>,
) {
  // Asked of the page once, not for each of a thousand columns.
  const rem = remOfPage();
  const widthOf = (at: number) => (columns[at]?.width ?? 0) * rem;
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: widthOf,
    overscan: BEYOND,
    scrollPaddingStart: widthOf(0),
  });
  const seen = across.getVirtualItems().map(({ index }) => index);
  const first = seen[0] ?? 0;
  const last = seen.at(-1) ?? 0;
  // Columns that come and go have other widths at the same places.
  const widths = columns.map(({ width }) => width).join(' ');
  // biome-ignore lint/correctness/useExhaustiveDependencies: measured anew whenever the widths differ
  useEffect(() => across.measure(), [widths, across]);
  useEffect(() => onShowColumns?.(first, last), [first, last, onShowColumns]);
  return {
    drawn: columns.length <= FEW ? columns.map((_, at) => at) : [0, ...seen.filter((at) => at > 0)],
    /** Scrolls as far as it takes to see a column. */
    show(column: number) {
      if (column > 0) across.scrollToIndex(column, { align: 'auto' });
    },
  };
}
