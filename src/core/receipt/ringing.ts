import type { Goods, Unit } from '../offer/index.ts';
import {
  barOf,
  type CompiledOffer,
  type CompiledPlan,
  pricesIn,
  type Situation,
  situationOf,
} from '../price-book/index.ts';
import type { PriceAnswer } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';
import { checkCodes } from './codes.ts';
import { limitedLines } from './limited-lines.ts';
import type { LiveOffer } from './offers-in-basket.ts';
import { type PricedLine, priceLines, tagStory, unitsOf } from './priced-lines.ts';
import type { Receipt, ReceiptLine } from './receipt.ts';
import { isUnitOffer, type UnitOfferPromotion } from './unit-offers.ts';
import { NO_UNIT_LIMITS, type UnitsLeft, unitsLeft } from './units-left.ts';

/** What is known of the goods, with how the tag price of a gift came about. */
export interface GoodsHere extends Goods {
  storyOf(item: number): Pick<ReceiptLine, 'regular' | 'base' | 'list' | 'priceChange' | 'onTop'>;
}

/** All that a basket is rung with. */
export interface Ringing {
  readonly compiled: CompiledPlan;
  readonly basket: Basket;
  readonly situation: Situation;
  readonly lines: readonly PricedLine[];
  readonly units: readonly Unit[];
  /** Everything over the basket that is live for it; `live` are the unit offers among it that its units touch. */
  readonly offers: readonly CompiledOffer[];
  readonly live: readonly LiveOffer[];
  readonly goods: GoodsHere;
  /** The price of an item, by its number, where and when the basket is rung. */
  priceOf(item: number): PriceAnswer;
}

/** All that a basket is rung with: codes looked at, lines at their tag prices, the offers that are live for it. */
export function ringingOf(
  compiled: CompiledPlan,
  basket: Basket,
): { ringing: Ringing; codes: Receipt['codes'] } {
  const { situation, codes } = checkedIn(compiled, basket);
  return { ringing: prepare(compiled, basket, situation, unitsLeft(compiled, basket, codes)), codes };
}

/** The same as if no limit in units were set: a line stays one line, and nobody pays less than by this. */
export const unlimitedRinging = (compiled: CompiledPlan, basket: Basket): Ringing =>
  prepare(compiled, basket, checkedIn(compiled, basket).situation, NO_UNIT_LIMITS);

function checkedIn(compiled: CompiledPlan, basket: Basket) {
  const plain = plainSituation(compiled, basket);
  const { codes, holding, usedUp } = checkCodes(basket, compiled, plain);
  return { codes, situation: { ...plain, holding, usedUp } };
}

/** The promotions whose codes a basket holds. */
export const heldBy = (compiled: CompiledPlan, basket: Basket): ReadonlySet<string> =>
  checkCodes(basket, compiled, plainSituation(compiled, basket)).holding;

/** Where, when and for whom it is rung, no code looked at yet. */
const plainSituation = (compiled: CompiledPlan, basket: Basket): Situation =>
  situationOf(compiled, compiled.stores.get(basket.store)!, {
    at: basket.at,
    shopper: basket.shopper,
    channel: basket.channel,
    ...(basket.terminal === null ? {} : { terminal: basket.terminal }),
  });

function prepare(compiled: CompiledPlan, basket: Basket, situation: Situation, left: UnitsLeft): Ringing {
  const { catalogue } = compiled;
  const priceOf = pricesIn(compiled, situation);
  const lines = limitedLines(priceLines(basket, compiled, priceOf), left, (line, without) => {
    const usedUp = new Set([...(situation.usedUp ?? []), ...without]);
    const [priced] = priceLines(
      { ...basket, lines: [line] },
      compiled,
      pricesIn(compiled, { ...situation, usedUp }),
    );
    return { ...priced!, of: line.of };
  });
  const goods: GoodsHere = {
    skuOf: (item) => catalogue.items[item]!.sku,
    familyOf: (item) => catalogue.items[item]!.parent ?? catalogue.items[item]!.sku,
    giftWorth(sku) {
      const answer = priceOf(catalogue.indexOf.get(sku)!);
      return answer.kind === 'price' ? answer.price : null;
    },
    storyOf: (item) => tagStory(priceOf(item)),
  };
  const offers = compiled.offers.filter((offer) => barOf(offer, situation) === null);
  const units = unitsOf(lines);
  const ofLines = [...new Map(units.map((unit) => [unit.line, unit])).values()];
  const touching = offers.filter(
    (offer) =>
      isUnitOffer(offer.promotion.offer) &&
      offer.parts().some((part) => ofLines.some(({ item, regular }) => part.has(item, regular))),
  );
  const live = touching.map((offer): LiveOffer & { promotion: UnitOfferPromotion } => ({
    promotion: offer.promotion as UnitOfferPromotion,
    fits: offer.parts().map((part) => (unit: Unit) => part.has(unit.item, unit.regular)),
    unitsLeft: left.get(offer.promotion.id) ?? Number.POSITIVE_INFINITY,
  }));
  return { compiled, basket, situation, lines, units, offers, live, goods, priceOf };
}
