import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  parseBasket,
  sees,
  type TrialBasket,
} from '../contracts/index.ts';
import {
  type BasketDocument,
  receiptDocument,
  ringBasket,
  type SecondBest,
  secondBest,
} from '../core/basket/index.ts';
import type { Currency } from '../core/money/index.ts';
import { namesOf, promotionText } from '../core/sentence/index.ts';
import type { PlanBook } from './plan-store.ts';

/** A person waits: a basket that would take longer is answered with the best found so far. */
const WORK = 4_000_000;
const SECOND_WORK = 1_000_000;

/** Rings a basket as a till of the store would, at any moment, for any kind of shopper; nothing is sold. */
export async function ringTrialBasket(
  ports: { book: PlanBook },
  person: Person,
  basket: BasketDocument,
): Promise<Outcome<TrialBasket>> {
  if (!may(person, 'see') || !sees(person, basket.store)) return failed({ kind: 'forbidden' });
  const { compiled, document } = await ports.book.current();
  const parsed = parseBasket(basket, compiled);
  if (!parsed.ok) return failed({ kind: 'invalid', faults: parsed.faults });
  const { currency } = compiled.plan;
  const best = ringBasket(compiled, parsed.basket, WORK);
  const other = secondBest(compiled, parsed.basket, best, SECOND_WORK);
  const receipt = receiptDocument(best, currency);
  const second = other && secondView(other, currency);
  const names = namesOf(document);
  const named = new Set([
    ...receipt.lines.flatMap(({ reductions }) => reductions.map(({ promotion }) => promotion)),
    ...receipt.applications.map(({ promotion }) => promotion),
    ...receipt.nearly.map(({ promotion }) => promotion),
    ...(second?.applies ?? []),
    ...(receipt.delivery?.promotion === undefined ? [] : [receipt.delivery.promotion]),
  ]);
  const skus = new Set([...receipt.lines, ...receipt.nearly].map(({ sku }) => sku));
  return done({
    receipt,
    second,
    items: Object.fromEntries([...skus].map((sku) => [sku, names.item(sku)])),
    promotions: Object.fromEntries(
      document.promotions
        .filter(({ id }) => named.has(id))
        .map((promotion) => [
          promotion.id,
          { name: promotion.name, sentence: promotionText(promotion, document.currency, names) },
        ]),
    ),
  });
}

function secondView({ without, receipt }: SecondBest, currency: Currency): TrialBasket['second'] {
  const { saving, total, applications } = receiptDocument(receipt, currency);
  return { without, saving, total, applies: applications.map(({ promotion }) => promotion) };
}
