import type { CheckContext, Fault } from '../../checking/index.ts';
import type { ValueDocument } from './value.ts';

type Path = Fault['path'];
const VALUE_KEYS = ['percentOff', 'amountOff', 'amountOffEach', 'each', 'total'] as const;
type ValueKey = (typeof VALUE_KEYS)[number];

/** The values that can be made of one unit. */
export const UNIT_VALUES = ['percentOff', 'amountOffEach', 'each'] as const;

/** One value of a kind that fits the offer, its amount an amount. */
export function checkValue(
  value: ValueDocument,
  allowed: readonly ValueKey[],
  path: Path,
  context: CheckContext,
): void {
  const key = VALUE_KEYS.find((name) => name in value)!;
  if (!allowed.includes(key)) context.fault([...path, key], `"${key}" does not fit here`, allowed.join(', '));
  if (key !== 'percentOff') context.amount((value as Record<string, string>)[key], [...path, key]);
}

/** Tiers in rising order, each with a value that fits. */
export function checkTiers(
  tiers: readonly ({ atLeast: number | string } & ValueDocument)[],
  allowed: readonly ValueKey[],
  path: Path,
  context: CheckContext,
): void {
  tiers.forEach((tier, i) => {
    const tierPath = [...path, 'tiers', i];
    if (typeof tier.atLeast === 'string') context.amount(tier.atLeast, [...tierPath, 'atLeast']);
    checkValue(tier, allowed, tierPath, context);
    const before = tiers[i - 1];
    if (before && Number(before.atLeast) >= Number(tier.atLeast)) {
      context.fault(
        [...tierPath, 'atLeast'],
        `the tier from ${tier.atLeast} does not follow the one from ${before.atLeast}`,
        'tiers in rising order, each from a number of its own',
      );
    }
  });
}
