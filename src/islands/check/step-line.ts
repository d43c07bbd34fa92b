export interface Step {
  /** Wall times of the store, milliseconds. */
  readonly from: number;
  readonly to: number;
  /** Null: not sold then. */
  readonly price: number | null;
}

/** Something written beside the line, and where: per cent from the left, or from above. */
export interface Labelled {
  readonly value: number;
  readonly place: number;
}

interface StepLine {
  /** In a square of 100: right angles alone; with a gap where nothing is sold. */
  readonly path: string;
  readonly prices: readonly Labelled[];
  readonly moments: readonly Labelled[];
  /** Where the moment that is looked at stands, per cent from the left. */
  readonly now: number;
  readonly span: number;
}

/** Room above the dearest and below the cheapest, per cent. */
const ROOM = 8;
/** Labels nearer than this to one that stands already are left out. */
const APART = { price: 14, moment: 17 };

/** Draws prices over time as a line of steps; null where there is no price at all. */
export function stepLine(steps: readonly Step[], at: number): StepLine | null {
  const known = [...new Set(steps.flatMap(({ price }) => (price === null ? [] : [price])))];
  const [first, last] = [steps[0], steps.at(-1)];
  if (known.length === 0 || !first || !last) return null;
  const [least, most] = [Math.min(...known), Math.max(...known)];
  const span = Math.max(1, last.to - first.from);
  const across = (moment: number) => round(((moment - first.from) / span) * 100);
  const down = (price: number) =>
    most === least ? 50 : round(ROOM + ((most - price) / (most - least)) * (100 - 2 * ROOM));
  let path = '';
  steps.forEach(({ from, to, price }, i) => {
    if (price === null) return;
    const joins = i > 0 && steps[i - 1]!.price !== null;
    path += `${joins ? 'V' : `M${across(from)} `}${down(price)}H${across(to)}`;
  });
  // The ends of the scale first; what lies between them where it can be read.
  const prices = [most, least, ...known].map((value) => ({ value, place: down(value) }));
  const moments = [first.from, last.to, ...steps.map(({ from }) => from)];
  return {
    path,
    prices: apart(prices, APART.price),
    moments: apart(
      moments.map((value) => ({ value, place: across(value) })),
      APART.moment,
    ),
    now: Math.min(100, Math.max(0, across(at))),
    span,
  };
}

const round = (value: number): number => Math.round(value * 100) / 100;

/** Those that stand far enough from all before them. */
function apart(labels: readonly Labelled[], least: number): Labelled[] {
  const kept: Labelled[] = [];
  for (const label of labels)
    if (kept.every(({ place }) => Math.abs(place - label.place) >= least)) kept.push(label);
  return kept;
}
