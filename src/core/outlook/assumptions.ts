/** What further units a lower price brings. */
export type Demand =
  /** So many more of everything that gets cheaper, in basis points. */
  | { readonly kind: 'uplift'; readonly by: number }
  /** Units go as the price to this power, in hundredths; below nothing. */
  | { readonly kind: 'elasticity'; readonly of: number };

/** What is taken to be so where nobody knows: no sales are. */
export interface Assumptions {
  /** Units of an item that a store sells in a week without the promotion, in hundredths. */
  readonly unitsAWeek: number;
  /** Of single items, by SKU. */
  readonly unitsOf: ReadonlyMap<string, number>;
  readonly demand: Demand;
  /** Of single items, by SKU: so many more, in basis points. */
  readonly upliftOf: ReadonlyMap<string, number>;
  /** How much of the further units other goods of the same group lose, in basis points. */
  readonly fromOthers: number;
  /** How many of the units of a deal's goods are bought by it, in basis points. */
  readonly takeUp: number;
}

export const ASSUMED: Assumptions = {
  unitsAWeek: 1_000,
  unitsOf: new Map(),
  demand: { kind: 'uplift', by: 5_000 },
  upliftOf: new Map(),
  fromOthers: 1_000,
  takeUp: 5_000,
};

/** Nobody takes more than so many times as much, however low a price is. */
const MOST = 20;

/** How many times as many units are sold once a price is another. */
export function timesSold(
  { demand, upliftOf }: Pick<Assumptions, 'demand' | 'upliftOf'>,
  sku: string,
  before: number,
  after: number,
): number {
  if (after === before) return 1;
  const own = upliftOf.get(sku);
  if (own !== undefined) return Math.min(MOST, 1 + own / 10_000);
  if (demand.kind === 'uplift') return after < before ? Math.min(MOST, 1 + demand.by / 10_000) : 1;
  if (before <= 0) return 1;
  return after <= 0 ? MOST : Math.min(MOST, (after / before) ** (demand.of / 100));
}

/** Units that a store sells of an item in a day without the promotion. */
export const unitsADay = ({ unitsAWeek, unitsOf }: Assumptions, sku: string): number =>
  (unitsOf.get(sku) ?? unitsAWeek) / 700;
