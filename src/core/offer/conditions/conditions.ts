import { type Currency, type MinorUnits, parseThousandths, readAmount } from '../../money/index.ts';

/** What a reward asks beside goods, as it stands in a document. */
export interface ConditionsDocument {
  payments?: string[];
  deliveries?: string[];
  regions?: string[];
  postcodes?: string[];
  linkTags?: string[];
  minWeight?: string;
  maxWeight?: string;
  minPastOrders?: number;
  maxPastOrders?: number;
  minLifetimeSpend?: string;
}

/** Conditions that must all hold; null or empty asks nothing. */
export interface Conditions {
  readonly payments: readonly string[] | null;
  readonly deliveries: readonly string[] | null;
  readonly regions: readonly string[] | null;
  /** Beginnings of postcodes. */
  readonly postcodes: readonly string[] | null;
  readonly linkTags: readonly string[] | null;
  /** Thousandths of a kilogram. */
  readonly minWeight: number | null;
  readonly maxWeight: number | null;
  readonly minPastOrders: number | null;
  readonly maxPastOrders: number | null;
  readonly minLifetimeSpend: MinorUnits | null;
}

/** Reads conditions that have been checked before. */
export function readConditions(document: ConditionsDocument | undefined, currency: Currency): Conditions {
  return {
    payments: document?.payments ?? null,
    deliveries: document?.deliveries ?? null,
    regions: document?.regions ?? null,
    postcodes: document?.postcodes ?? null,
    linkTags: document?.linkTags ?? null,
    minWeight: readWeight(document?.minWeight),
    maxWeight: readWeight(document?.maxWeight),
    minPastOrders: document?.minPastOrders ?? null,
    maxPastOrders: document?.maxPastOrders ?? null,
    minLifetimeSpend:
      document?.minLifetimeSpend === undefined ? null : readAmount(document.minLifetimeSpend, currency),
  };
}

/** Thousandths of a kilogram. */
export const readWeight = (text: string | undefined): number | null =>
  text === undefined ? null : parseThousandths(text);
