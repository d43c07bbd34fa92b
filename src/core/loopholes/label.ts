/** The goods of a label, the last one first: labels share what they have in common. */
export interface Picked {
  readonly good: number;
  readonly before: Picked | null;
}

/** One way to fill a basket with so many units. Amounts are minor units. */
export interface Label {
  /** What its goods leave before any reward: what is paid for them less what they cost. */
  readonly margin: number;
  /** What counts for each measure of the rewards; more is never worse. */
  readonly measured: readonly number[];
  readonly picked: Picked | null;
}

export const EMPTY: Label = { margin: 0, measured: [], picked: null };

/** Whether one label is as good as another in everything that can matter later. */
export function covers(a: Label, b: Label): boolean {
  if (a.margin > b.margin) return false;
  for (let i = 0; i < b.measured.length; i++) if (a.measured[i]! < b.measured[i]!) return false;
  return true;
}

/**
 * Puts a label among others of which none covers another.
 * @param picked of the label, asked for only where it stays.
 * @returns whether it is among them now: not where one covers it.
 */
export function put(labels: Label[], label: Label, picked?: () => Picked | null): boolean {
  for (const other of labels) if (covers(other, label)) return false;
  let kept = 0;
  for (const other of labels) if (!covers(label, other)) labels[kept++] = other;
  labels.length = kept;
  labels.push(picked ? { ...label, picked: picked() } : label);
  return true;
}

/** How many of each good were picked. */
export function countsOf(label: Label): ReadonlyMap<number, number> {
  const counts = new Map<number, number>();
  for (let at = label.picked; at !== null; at = at.before)
    counts.set(at.good, (counts.get(at.good) ?? 0) + 1);
  return counts;
}

/** All that was picked by one after all that was picked by another. */
export function pickedBy(a: Picked | null, b: Picked | null): Picked | null {
  let all = a;
  for (let at = b; at !== null; at = at.before) all = { good: at.good, before: all };
  return all;
}
