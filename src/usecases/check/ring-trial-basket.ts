import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  parseBasket,
  sees,
  type TrialBasket,
  writingOf,
} from '../../contracts/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import {
  type Basket,
  type BasketDocument,
  type Receipt,
  ringBasket,
  secondBest,
} from '../../core/receipt/index.ts';
import { namesOf } from '../../core/sentence/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { type CodeWorth, trialBasketView } from './trial-basket-view.ts';

/** A person waits: what else could be is looked for with less patience than what is. */
const SECOND_WORK = 6_000_000;
/** What a person can still take in; a larger basket is rung, and not turned this way and that. */
const MOST_UNITS_COMPARED = 400;
/** So many codes are told what each of them brings. */
const MOST_CODES = 10;

/** Rings a basket as a till of the store would, at any moment, for any kind of shopper; nothing is sold. */
export async function ringTrialBasket(
  ports: { book: PlanBook },
  person: Person,
  basket: BasketDocument,
): Promise<Outcome<TrialBasket>> {
  if (!may(person, 'see') || !sees(person, basket.store)) return failed({ kind: 'forbidden' });
  const { compiled, document } = await seenBy(ports.book, person);
  const parsed = parseBasket(basket, compiled);
  if (!parsed.ok) return failed({ kind: 'invalid', faults: parsed.faults });
  // As long as a till takes, and no less: the two are to be the same.
  const best = ringBasket(compiled, parsed.basket);
  const compared = unitsIn(parsed.basket) <= MOST_UNITS_COMPARED;
  const other = compared ? secondBest(compiled, parsed.basket, best, SECOND_WORK) : null;
  const codes = compared ? worthOfCodes(compiled, parsed.basket, best) : [];
  return done(trialBasketView(document, namesOf(document, writingOf(person)), best, other, codes));
}

const unitsIn = ({ lines }: Basket): number =>
  lines.reduce((sum, { thousandths }) => sum + thousandths / 1000, 0);

/** How much more there would be to pay without each of the accepted codes; nothing, where a code makes no difference. */
function worthOfCodes(compiled: CompiledPlan, basket: Basket, best: Receipt): CodeWorth[] {
  return best.codes
    .filter(({ reason }) => reason === null)
    .slice(0, MOST_CODES)
    .map(({ code }) => {
      const others = { ...basket, codes: basket.codes.filter((other) => other !== code) };
      const without = ringBasket(compiled, others, SECOND_WORK, { nearly: false });
      return { code, saves: without.total - best.total };
    });
}
