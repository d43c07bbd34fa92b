/** One of those over whom an amount is shared. */
export interface Share {
  /** In proportion to this; whole and not negative. */
  readonly weight: number;
  readonly position: number;
}

/**
 * Pricing rules 4.6: an amount in whole minor units in proportion to weights, by largest remainder; of equal
 * remainders the dearer comes first, then the earlier. No share is larger than its weight as long as the amount is
 * not larger than all of them.
 * @returns a share for each entry, in their order; their sum is the amount.
 */
export function shareOut(amount: number, entries: readonly Share[]): number[] {
  const whole = entries.reduce((sum, { weight }) => sum + weight, 0);
  if (whole === 0) return entries.map(() => 0);
  const shares = entries.map(({ weight }) => {
    const exact = BigInt(amount) * BigInt(weight);
    return { share: Number(exact / BigInt(whole)), remainder: Number(exact % BigInt(whole)) };
  });
  let left = amount - shares.reduce((sum, { share }) => sum + share, 0);
  const order = entries
    .map((entry, i) => ({ ...entry, i, remainder: shares[i]!.remainder }))
    .sort((a, b) => b.remainder - a.remainder || b.weight - a.weight || a.position - b.position);
  const result = shares.map(({ share }) => share);
  for (const { i } of order) {
    if (left === 0) break;
    result[i]! += 1;
    left -= 1;
  }
  return result;
}
