import type { Window } from '../price-book/index.ts';

/** Positions that lie no further apart than this are painted together. */
const APART = 512;

/** The stretches in which some positions lie, rising. */
export function windowsOf(goods: Int32Array): Window[] {
  const windows: { from: number; to: number }[] = [];
  for (const position of goods) {
    const last = windows.at(-1);
    if (last && position - last.to < APART) last.to = position + 1;
    else windows.push({ from: position, to: position + 1 });
  }
  return windows;
}
