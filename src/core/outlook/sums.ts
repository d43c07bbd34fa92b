/** Units, and money in minor units; parts of them too, as they are estimates. */
export interface Sums {
  readonly units: number;
  readonly takings: number;
  /** Of the goods whose cost is known. */
  readonly margin: number;
}

export const NO_SUMS: Sums = { units: 0, takings: 0, margin: 0 };

export const plus = (a: Sums, b: Sums): Sums => ({
  units: a.units + b.units,
  takings: a.takings + b.takings,
  margin: a.margin + b.margin,
});

/** @param cost null: not known, so that nothing is said of the margin. */
export const sold = (units: number, price: number, cost: number | null): Sums => ({
  units,
  takings: units * price,
  margin: cost === null ? 0 : units * (price - cost),
});

/** A part of a day at one price, the rest at another. */
export const scaled = ({ units, takings, margin }: Sums, by: number): Sums => ({
  units: units * by,
  takings: takings * by,
  margin: margin * by,
});

/** A day, a good or a department, without a promotion and with it. */
export interface Compared {
  readonly without: Sums;
  readonly with: Sums;
}

export const NOTHING: Compared = { without: NO_SUMS, with: NO_SUMS };

export const joined = (a: Compared, b: Compared): Compared => ({
  without: plus(a.without, b.without),
  with: plus(a.with, b.with),
});

/** So many times as much. */
export const widened = ({ without, with: during }: Compared, by: number): Compared => ({
  without: scaled(without, by),
  with: scaled(during, by),
});
