import type { Receipt } from './receipt.ts';

/**
 * What a promotion took off a receipt, in minor units, gifts at their tag value. What a price change took off is the way
 * from the regular price to the tag; where others came on top of it, all of that is told of the one that set the tag.
 */
export function savedBy({ lines, delivery }: Receipt, promotion: string): number {
  const ofLines = lines.reduce((sum, { thousandths, regular, tag, priceChange, onTop, reductions }) => {
    const setBy = priceChange ?? onTop[0];
    const price = setBy === promotion ? Math.round(((regular - tag) * thousandths) / 1_000) : 0;
    const off = reductions.reduce((all, one) => all + (one.promotion === promotion ? one.amount : 0), 0);
    return sum + Math.max(0, price) + off;
  }, 0);
  return ofLines + (delivery?.promotion === promotion ? delivery.charge - delivery.net : 0);
}
