import type { AssumedRequest } from '../../contracts/index.ts';
import { readDecimal } from '../../contracts/table/index.ts';
import { asTyped } from '../../ui/writing/index.ts';

/** What is assumed, as it is typed. */
export interface TypedAssumptions {
  readonly unitsAWeek: string;
  readonly demand: 'uplift' | 'elasticity';
  /** Percent more of all that gets cheaper; percent more for each percent off. */
  readonly uplift: string;
  readonly elasticity: string;
  readonly fromOthers: string;
  readonly takeUp: string;
  /** Percent more of single items, by SKU; an empty text is nothing of its own. */
  readonly upliftOf: Readonly<Record<string, string>>;
}

export const ASSUMED_AT_FIRST: TypedAssumptions = {
  unitsAWeek: '10',
  demand: 'uplift',
  uplift: '50',
  elasticity: '2',
  fromOthers: '10',
  takeUp: '50',
  upliftOf: {},
};

export type AssumedField = 'unitsAWeek' | 'uplift' | 'elasticity' | 'fromOthers' | 'takeUp';

/** The most that may stand in each field. */
const MOST: Readonly<Record<AssumedField, number>> = {
  unitsAWeek: 100_000,
  uplift: 1_000,
  elasticity: 10,
  fromOthers: 100,
  takeUp: 100,
};

/** The number that stands in a field, in hundredths; null where it is none, or too large. */
export function hundredthsIn(text: string, most: number): number | null {
  const read = readDecimal(asTyped(text.trim()));
  if (read === null || Number(read) > most) return null;
  return Math.round(Number(read) * 100);
}

/** Fields that say nothing that counts. */
export const misreadFields = (typed: TypedAssumptions): readonly AssumedField[] =>
  (Object.keys(MOST) as AssumedField[]).filter((field) => hundredthsIn(typed[field], MOST[field]) === null);

/** What is asked with; null where a field says nothing that counts. */
export function assumedOf(typed: TypedAssumptions): AssumedRequest | null {
  const read = (field: AssumedField) => hundredthsIn(typed[field], MOST[field]);
  const [unitsAWeek, uplift, elasticity] = [read('unitsAWeek'), read('uplift'), read('elasticity')];
  const [fromOthers, takeUp] = [read('fromOthers'), read('takeUp')];
  if (unitsAWeek === null || uplift === null || elasticity === null) return null;
  if (fromOthers === null || takeUp === null) return null;
  const own = Object.entries(typed.upliftOf).flatMap(([sku, text]): [string, number][] => {
    const percent = hundredthsIn(text, MOST.uplift);
    return percent === null ? [] : [[sku, percent]];
  });
  return {
    unitsAWeek,
    demand:
      typed.demand === 'uplift' ? { kind: 'uplift', by: uplift } : { kind: 'elasticity', of: -elasticity },
    ...(own.length > 0 ? { upliftOf: Object.fromEntries(own) } : {}),
    fromOthers,
    takeUp,
  };
}
