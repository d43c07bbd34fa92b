import { type MinorUnits, minorUnits } from './amount.ts';
import { halfAwayFromZero } from './half-away-from-zero.ts';
import { ceilingOf, compareToWhole, floorOf, type Ratio, ratio } from './ratio.ts';

export type RoundingMode = 'nearest' | 'up' | 'down';
/** To a multiple of `step`; a tie goes up. */
export interface StepRounding {
  readonly kind: 'step';
  readonly step: MinorUnits;
  readonly mode: RoundingMode;
}
/** To a price whose remainder modulo `per` is one of `endings` (ascending); a tie goes to the lower price. */
export interface EndingRounding {
  readonly kind: 'ending';
  readonly endings: readonly MinorUnits[];
  readonly per: MinorUnits;
  readonly mode: RoundingMode;
}
export type Rounding = StepRounding | EndingRounding;

interface Grid {
  readonly below: bigint;
  readonly above: bigint;
  /** The smallest positive price on the grid. */
  readonly smallest: bigint;
  readonly tie: 'up' | 'down';
}

/**
 * The one rounding of a formula's exact result (pricing rules 1).
 * @param value exact, in minor units; anything below zero counts as zero.
 * @param rule absent: the minor unit, half away from zero.
 * @returns a price on the rule's grid; zero only where the exact result is zero.
 */
export function roundPrice(value: Ratio, rule: Rounding | null): MinorUnits {
  if (value.num <= 0n) return minorUnits(0);
  if (!rule) return minorUnits(Math.max(1, Number(halfAwayFromZero(value))));
  const grid = rule.kind === 'step' ? stepGrid(value, rule) : endingGrid(value, rule);
  const chosen = choose(value, grid, rule.mode);
  return minorUnits(Number(chosen > 0n ? chosen : grid.smallest));
}

function choose(value: Ratio, grid: Grid, mode: RoundingMode): bigint {
  if (compareToWhole(value, grid.below) === 0) return grid.below;
  if (mode !== 'nearest') return mode === 'up' ? grid.above : grid.below;
  const side = compareToWhole(ratio(2n * value.num, value.den), grid.below + grid.above);
  if (side === 0) return grid.tie === 'up' ? grid.above : grid.below;
  return side < 0 ? grid.below : grid.above;
}

function stepGrid(value: Ratio, rule: StepRounding): Grid {
  const step = BigInt(rule.step);
  const below = floorOf(ratio(value.num, value.den * step)) * step;
  return { below, above: below + step, smallest: step, tie: 'up' };
}

function endingGrid(value: Ratio, rule: EndingRounding): Grid {
  const per = BigInt(rule.per);
  const endings = rule.endings.map(BigInt);
  const first = endings[0]!;
  const floor = floorOf(value);
  const ceiling = ceilingOf(value);
  const last = endings[endings.length - 1]!;
  const start = floor - (((floor % per) + per) % per);
  // No ending at or below in this period: the last one of the period before, which may lie below zero.
  const below = endings.filter((e) => start + e <= floor).at(-1);
  const aboveStart = ceiling - (((ceiling % per) + per) % per);
  const above = endings.find((e) => aboveStart + e >= ceiling);
  return {
    below: below === undefined ? start - per + last : start + below,
    above: above === undefined ? aboveStart + per + first : aboveStart + above,
    smallest: endings.find((e) => e > 0n) ?? per,
    tie: 'down',
  };
}

/** Whether a price stands on the rule's grid. */
export function isOnGrid(price: MinorUnits, rule: Rounding): boolean {
  return rule.kind === 'step' ? price % rule.step === 0 : rule.endings.includes(minorUnits(price % rule.per));
}
