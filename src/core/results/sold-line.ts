import { type Currency, halfAwayFromZero, parseThousandths, ratio, readAmount } from '../money/index.ts';
import type { Item } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { ReceiptDocument } from '../receipt/index.ts';

/** What a promotion took off a line. Amounts are minor units, units as a basket counts them. */
export interface LineReduction {
  readonly promotion: string;
  readonly units: number;
  readonly amount: number;
}

/** A line of a receipt that was closed, in whole minor units. */
export interface SoldLine {
  readonly sku: string;
  /** Null: the plan does not know it any more. */
  readonly item: Item | null;
  readonly thousandths: number;
  readonly weighed: boolean;
  /** A weighed line is one. */
  readonly units: number;
  readonly gift: boolean;
  readonly tag: number;
  readonly net: number;
  /** By offer on units: how many of the line it used. */
  readonly used: ReadonlyMap<string, number>;
  readonly reductions: readonly LineReduction[];
}

export function soldLine(receipt: ReceiptDocument, at: number, compiled: CompiledPlan): SoldLine {
  const { sku, quantity, gift = false, tag, net, reductions } = receipt.lines[at]!;
  const { currency } = compiled.plan;
  const index = compiled.catalogue.indexOf.get(sku);
  const item = index === undefined ? null : compiled.catalogue.items[index]!;
  // A till writes a weighed quantity as a text.
  const weighed = item ? (item.unit ?? 'each') !== 'each' : typeof quantity === 'string';
  const thousandths = parseThousandths(String(quantity))!;
  const units = weighed ? 1 : thousandths / 1_000;
  const used = new Map<string, number>();
  for (const application of receipt.applications)
    for (const part of application.units)
      if (part.line === at)
        used.set(application.promotion, (used.get(application.promotion) ?? 0) + part.quantity);
  return {
    ...{ sku, item, thousandths, weighed, units, gift, used },
    tag: readAmount(tag, currency),
    net: readAmount(net, currency),
    reductions: reductions.map(({ promotion, units: own = units, amount }) => ({
      ...{ promotion, units: own },
      amount: readSigned(amount, currency),
    })),
  };
}

/** What so much of a line is worth at a price for one piece or unit of measure. */
export function worthOf({ weighed, thousandths }: SoldLine, price: number, units: number): number {
  if (!weighed) return price * units;
  return Number(halfAwayFromZero(ratio(BigInt(price) * BigInt(thousandths), 1_000)));
}

/** A unit that an offer puts back to its base price may cost more than its tag. */
function readSigned(text: string, currency: Currency): number {
  return text.startsWith('-') ? -readAmount(text.slice(1), currency) : readAmount(text, currency);
}
