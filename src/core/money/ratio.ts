/**
 * An exact amount on its way to a price: `num / den` minor units, `den` above zero.
 * Big integers, so that a factor of six decimals on any amount stays exact.
 */
export interface Ratio {
  readonly num: bigint;
  readonly den: bigint;
}

export const ratio = (num: number | bigint, den: number | bigint = 1): Ratio => ({
  num: BigInt(num),
  den: BigInt(den),
});

/** The largest whole number not above the ratio. */
export function floorOf({ num, den }: Ratio): bigint {
  const quotient = num / den;
  return num < 0n && quotient * den !== num ? quotient - 1n : quotient;
}

/** The smallest whole number not below the ratio. */
export function ceilingOf(value: Ratio): bigint {
  const floor = floorOf(value);
  return floor * value.den === value.num ? floor : floor + 1n;
}

/** Negative, zero or positive, as `a` is below, equal to or above the whole number `b`. */
export function compareToWhole(a: Ratio, b: bigint): number {
  const difference = a.num - b * a.den;
  return difference < 0n ? -1 : difference > 0n ? 1 : 0;
}

/** Written out for an explanation, with at most six decimals of the minor unit, cut and marked with "…". */
export function describeRatio({ num, den }: Ratio, exponent: number): string {
  const scale = 10n ** BigInt(exponent);
  const places = exponent + 6;
  const scaled = (num * 10n ** BigInt(places)) / (den * scale);
  const exact = scaled * den * scale === num * 10n ** BigInt(places);
  const digits = scaled.toString().padStart(places + 1, '0');
  const decimals = digits.slice(-places).replace(/0+$/, '').padEnd(exponent, '0');
  const whole = digits.slice(0, -places);
  return `${whole}${decimals ? `.${decimals}` : ''}${exact ? '' : '…'}`;
}
