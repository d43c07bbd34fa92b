import { giftOf } from '../offer/index.ts';
import type { Applied } from './applied.ts';
import type { RewardChoice } from './choose-rewards.ts';
import type { Piece } from './piece.ts';
import type { PricedLine } from './priced-lines.ts';
import type { ReceiptLine } from './receipt.ts';
import type { Ringing } from './ringing.ts';

interface Reduction {
  units: number | null;
  amount: number;
}

/** The lines of the basket with what each promotion took off them, and after them the gifts (pricing rules 4.6). */
export function receiptLines(
  ringing: Ringing,
  applied: readonly Applied[],
  pieces: readonly Piece[],
  rewards: RewardChoice,
): ReceiptLine[] {
  const lineOf = new Map(pieces.map(({ position, line }) => [position, line]));
  const reductions = ringing.lines.map(() => new Map<string, Reduction>());
  const reduce = (position: number, promotion: string, amount: number, weighed: boolean) => {
    if (amount === 0) return;
    const line = reductions[lineOf.get(position)!]!;
    const before = line.get(promotion) ?? { units: weighed ? null : 0, amount: 0 };
    line.set(promotion, {
      units: before.units === null ? null : before.units + 1,
      amount: before.amount + amount,
    });
  };
  for (const { offer, units, prices } of applied)
    units.forEach(({ position, tag }, i) => {
      reduce(position, offer.name, tag - prices[i]!, false);
    });
  for (const { promotion, shares } of rewards.given)
    for (const [position, amount] of shares)
      reduce(position, promotion, amount, ringing.lines[lineOf.get(position)!]!.weighed);
  return [...ringing.lines.map((line, i) => soldLine(line, reductions[i]!)), ...giftLines(ringing, applied)];
}

function soldLine(
  { of, sku, thousandths, weighed, sold }: PricedLine,
  taken: ReadonlyMap<string, Reduction>,
): ReceiptLine {
  const reductions = [...taken].map(([promotion, { units, amount }]) => ({ promotion, units, amount }));
  const off = reductions.reduce((sum, { amount }) => sum + amount, 0);
  return {
    of,
    sku,
    thousandths,
    weighed,
    regular: sold.ok ? sold.regular : 0,
    base: sold.ok ? sold.base : 0,
    list: sold.ok ? sold.list : null,
    priceChange: sold.ok ? sold.priceChange : null,
    onTop: sold.ok ? sold.onTop : [],
    tag: sold.ok ? sold.tag : 0,
    net: sold.ok ? sold.amount - off : 0,
    gift: false,
    reductions,
  };
}

/** One line for the gifts of each promotion: at zero, with their tag price, so that their stock is counted. */
function giftLines({ goods, live, compiled }: Ringing, applied: readonly Applied[]): ReceiptLine[] {
  const worth = new Map<string, number>();
  for (const { offer, gifts } of applied)
    if (gifts > 0) worth.set(offer.name, (worth.get(offer.name) ?? 0) + gifts);
  return [...worth]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([promotion, amount]): ReceiptLine => {
      const { offer } = live.find((one) => one.promotion.id === promotion)!.promotion;
      const sku = giftOf(offer)!;
      const tag = goods.giftWorth(sku)!;
      const units = amount / tag;
      return {
        of: null,
        sku,
        thousandths: units * 1_000,
        weighed: false,
        ...goods.storyOf(compiled.catalogue.indexOf.get(sku)!),
        tag,
        net: 0,
        gift: true,
        reductions: [{ promotion, units, amount }],
      };
    });
}
