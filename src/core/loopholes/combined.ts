import { type Label, pickedBy, put } from './label.ts';
import type { Measure } from './measure.ts';

/** Labels by number of units, from none on. */
export type ByUnits = readonly (readonly Label[])[];

export interface Together {
  /** Nothing picked. */
  readonly start: Label;
  readonly units: number;
  readonly measures: readonly Measure[];
  /** Whether a basket begun so, with so many units, may still come to anything. */
  hopeful(label: Label, units: number): boolean;
}

/**
 * Baskets put together of what offers do with some of the units, and of units that no offer uses.
 * @param runs of each offer.
 * @param loose of each good that may be picked, once.
 */
export function combined(together: Together, runs: readonly ByUnits[], loose: readonly Label[]): ByUnits {
  const { start, units } = together;
  const all: Label[][] = Array.from({ length: units + 1 }, (_, n) => (n === 0 ? [start] : []));
  for (let n = 1; n <= units; n++)
    for (const label of all[n - 1]!) for (const one of loose) join(together, all[n]!, label, one, n);
  for (const run of runs)
    for (let n = units; n >= 1; n--)
      for (let used = 1; used <= n; used++)
        for (const one of run[used]!)
          for (const label of all[n - used]!) join(together, all[n]!, label, one, n);
  return all;
}

/** What so many of these runs at most can do together. */
export function atMost(limit: number, runs: readonly ByUnits[], together: Together): ByUnits {
  const { units, start } = together;
  if (limit >= Math.min(units, runs.length)) return combined(together, runs, []);
  const none = (): Label[][] => Array.from({ length: units + 1 }, () => []);
  const by = Array.from({ length: limit + 1 }, none);
  by[0]![0]!.push(start);
  for (const run of runs)
    for (let made = limit; made >= 1; made--)
      for (let used = 1; used <= units; used++)
        for (const one of run[used]!)
          for (let n = used; n <= units; n++)
            for (const label of by[made - 1]![n - used]!) join(together, by[made]![n]!, label, one, n);
  const all = none();
  for (const layer of by)
    layer.forEach((labels, n) => {
      for (const label of labels) put(all[n]!, label);
    });
  return all;
}

function join({ measures, hopeful }: Together, into: Label[], a: Label, b: Label, units: number): void {
  const label: Label = {
    margin: a.margin + b.margin,
    measured: measures.map(({ cap }, i) => Math.min(cap, a.measured[i]! + b.measured[i]!)),
    picked: b.picked,
  };
  if (hopeful(label, units)) put(into, label, () => pickedBy(a.picked, b.picked));
}
