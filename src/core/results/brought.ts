import { costUnder } from '../consequences/index.ts';
import { halfAwayFromZero, ratio } from '../money/index.ts';
import type { Promotion } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { changeSteps } from './change-steps.ts';
import type { SaleDocument } from './sale-document.ts';
import { type SoldLine, soldLine, worthOf } from './sold-line.ts';

/** What a promotion brought on one line of a sale. Amounts are minor units. */
export interface Brought {
  readonly promotion: string;
  readonly sku: string;
  /** Units that it reduced, used or gave; a weighed line is one. */
  readonly units: number;
  /** What was paid for them. */
  readonly takings: number;
  /** What it took off them: of a price change the way from the base, of a gift its tag value. */
  readonly reduction: number;
  /** What they cost, by the terms of the promotion where it has any; null: nobody knows. */
  readonly cost: number | null;
}

/** The plan that sales are looked at by, with its promotions by id. */
export interface ResultsPlan {
  readonly compiled: CompiledPlan;
  readonly promotions: ReadonlyMap<string, Promotion>;
}

export const resultsPlan = (compiled: CompiledPlan): ResultsPlan => ({
  compiled,
  promotions: new Map(compiled.plan.promotions.map((promotion) => [promotion.id, promotion])),
});

/** What a sale brought each promotion, line by line. */
export function broughtBy(sale: SaleDocument, plan: ResultsPlan): Brought[] {
  const { receipt } = sale;
  const offers = new Set(receipt.applications.map(({ promotion }) => promotion));
  return receipt.lines.flatMap((_, at) => {
    const line = soldLine(receipt, at, plan.compiled);
    const parts = [
      ...changeSteps(sale, at, plan.compiled).map((step) => ofChange(line, step)),
      ...[...new Set([...line.used.keys(), ...line.reductions.map(({ promotion }) => promotion)])].map(
        (id) =>
          line.gift || !(offers.has(id) || line.used.has(id))
            ? ofReward(line, id, offers)
            : ofOffer(line, id, offers),
      ),
    ];
    return parts.map((part) => ({ ...part, sku: line.sku, cost: costOf(line, part, plan) }));
  });
}

type Part = Omit<Brought, 'sku' | 'cost'>;

const ofChange = (
  line: SoldLine,
  { promotion, before, after }: ReturnType<typeof changeSteps>[number],
): Part => ({
  promotion,
  units: line.units,
  takings: line.net,
  reduction: worthOf(line, before, line.units) - worthOf(line, after, line.units),
});

/** An offer on units: those that it used, at their tag prices, less what it took and their part of what rewards took. */
function ofOffer(line: SoldLine, promotion: string, offers: ReadonlySet<string>): Part {
  const reduction = takenBy(line, (id) => id === promotion);
  const units = line.used.get(promotion) ?? unitsOf(line, promotion);
  const own = worthOf(line, line.tag, units) - reduction;
  const rewards = takenBy(line, (id) => !offers.has(id) && !onFreeUnits(line, id));
  const share = partOf(rewards, own, afterOffers(line, offers));
  return { promotion, units, reduction, takings: own - share };
}

/**
 * A reward, and what is given. Units that it passed over are taken for those that offers use, where there are as many;
 * else they are such as cost nothing any more.
 */
function ofReward(line: SoldLine, promotion: string, offers: ReadonlySet<string>): Part {
  const reduction = takenBy(line, (id) => id === promotion);
  const units = unitsOf(line, promotion);
  const part = { promotion, units, reduction };
  if (line.gift || !onFreeUnits(line, promotion)) return { ...part, takings: line.net };
  const own = worthOf(line, line.tag, units);
  const here = takenBy(line, (id) => !offers.has(id) && onFreeUnits(line, id));
  const everywhere = takenBy(line, (id) => !offers.has(id) && !onFreeUnits(line, id));
  return { ...part, takings: own - here - partOf(everywhere, own, afterOffers(line, offers)) };
}

const takenBy = ({ reductions }: SoldLine, counts: (promotion: string) => boolean): number =>
  reductions.reduce((sum, { promotion, amount }) => sum + (counts(promotion) ? amount : 0), 0);

const unitsOf = ({ reductions }: SoldLine, promotion: string): number =>
  reductions.find((one) => one.promotion === promotion)?.units ?? 0;

/** Whether a reward passed over the units that offers use, as far as the receipt tells. */
function onFreeUnits(line: SoldLine, reward: string): boolean {
  const used = [...line.used.values()].reduce((sum, units) => sum + units, 0);
  const units = unitsOf(line, reward);
  return used > 0 && units < line.units && units <= line.units - used;
}

const afterOffers = (line: SoldLine, offers: ReadonlySet<string>): number =>
  worthOf(line, line.tag, line.units) - takenBy(line, (id) => offers.has(id));

/** So much of an amount, in proportion. */
const partOf = (amount: number, part: number, whole: number): number =>
  whole === 0 ? 0 : Number(halfAwayFromZero(ratio(BigInt(amount) * BigInt(part), whole)));

function costOf(line: SoldLine, { promotion, units }: Part, { promotions }: ResultsPlan): number | null {
  if (!line.item) return null;
  const cost = costUnder(promotions.get(promotion)?.supplier ?? null, line.item);
  return cost === null ? null : worthOf(line, cost, units);
}
