import type { AssumedRequest, ComparedView, SumsView } from '../../contracts/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { Assumptions, Compared, Sums } from '../../core/outlook/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';

export const assumptionsOf = ({ unitsOf = {}, upliftOf = {}, ...assumed }: AssumedRequest): Assumptions => ({
  ...assumed,
  unitsOf: new Map(Object.entries(unitsOf)),
  upliftOf: new Map(Object.entries(upliftOf)),
});

/** Estimates for a person, with or without what they earn. */
export function sumsIn({ plan }: CompiledPlan, costs: boolean) {
  const money = (amount: number): string => {
    const rounded = Math.round(amount);
    return `${rounded < 0 ? '-' : ''}${formatAmount(Math.abs(rounded) as MinorUnits, plan.currency)}`;
  };
  const sums = ({ units, takings, margin }: Sums): SumsView => ({
    units: Math.round(units * 10) / 10,
    takings: money(takings),
    margin: costs ? money(margin) : null,
  });
  const compared = (one: Compared): ComparedView => ({ without: sums(one.without), with: sums(one.with) });
  return { sums, compared };
}
