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
import { type BasketDocument, ringBasket, secondBest } from '../core/basket/index.ts';
import { namesOf } from '../core/sentence/index.ts';
import type { PlanBook } from './plan-store.ts';
import { trialBasketView } from './trial-basket-view.ts';

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
  const best = ringBasket(compiled, parsed.basket, WORK);
  const other = secondBest(compiled, parsed.basket, best, SECOND_WORK);
  return done(trialBasketView(document, namesOf(document), best, other));
}
