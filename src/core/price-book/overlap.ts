import type { Ground } from './ground.ts';
import { forEachCell, type Layer, laidOut } from './layer.ts';

/**
 * Where one of two layers of the same priority lies under the other although it is the lower one. Found once for each
 * pair, and kept with the ground that both lie on.
 * @returns the part of `second` that counts before `first`; at the same amount the first one counts.
 */
export function lowerPart({ kept }: Ground, first: Layer, second: Layer): Layer {
  const others = (kept.get(first) as WeakMap<Layer, Layer> | undefined) ?? new WeakMap<Layer, Layer>();
  kept.set(first, others);
  const found = others.get(second) ?? lower(first, second);
  others.set(second, found);
  return found;
}

function lower(first: Layer, second: Layer): Layer {
  const there = new Map<number, number>();
  forEachCell(first, (position, amount) => there.set(position, amount));
  const cells: [position: number, amount: number][] = [];
  forEachCell(second, (position, amount) => {
    const other = there.get(position);
    if (other !== undefined && amount < other) cells.push([position, amount]);
  });
  cells.sort(([a], [b]) => a - b);
  return laidOut(
    cells.map(([position]) => position),
    cells.map(([, amount]) => amount),
    first.amounts instanceof Float64Array,
  );
}
