import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  parseBasket,
  readVouched,
  sees,
  type TrialBasket,
  writingOf,
} from '../../contracts/index.ts';
import { normalCode } from '../../core/codes/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import {
  type Basket,
  type BasketDocument,
  codesToVouch,
  codeWorth,
  ring,
  secondBest,
  standIns,
  type VouchedCodes,
} from '../../core/receipt/index.ts';
import { namesOf } from '../../core/sentence/index.ts';
import { type ShopperPorts, withWhoIs } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { PERSON, type VouchPorts, vouchCodes } from '../vouch/index.ts';
import { trialBasketView } from './trial-basket-view.ts';

/** A person waits: what else could be is looked for with less patience than what is. */
const SECOND_WORK = 6_000_000;
/** What a person can still take in; a larger basket is rung, and not turned this way and that. */
const MOST_UNITS_COMPARED = 400;
/** So many codes are told what each of them brings. */
const MOST_CODES = 10;

/** Rings a basket as a till of the store would, at any moment, for any kind of shopper; nothing is sold. */
export async function ringTrialBasket(
  ports: { book: PlanBook } & VouchPorts & ShopperPorts,
  person: Person,
  basket: BasketDocument,
  now: number,
): Promise<Outcome<TrialBasket>> {
  if (!may(person, 'see') || !sees(person, basket.store)) return failed({ kind: 'forbidden' });
  const { compiled, document } = await seenBy(ports.book, person);
  const parsed = parseBasket(await withWhoIs(ports, compiled, basket), compiled);
  if (!parsed.ok) return failed({ kind: 'invalid', faults: parsed.faults });
  const whole = { ...parsed.basket, vouched: await vouchedFor(ports, person, parsed.basket, compiled, now) };
  // As long as a till takes, and no less: the two are to be the same.
  const best = ring(compiled, whole);
  const compared = unitsIn(parsed.basket) <= MOST_UNITS_COMPARED;
  const other = compared ? secondBest(best, SECOND_WORK) : null;
  const accepted = best.receipt.codes.filter(({ reason }) => reason === null).slice(0, MOST_CODES);
  const codes = compared
    ? accepted.map(({ code }) => codeWorth(compiled, whole, best, code, SECOND_WORK))
    : [];
  return done(trialBasketView(document, namesOf(document, writingOf(person)), best.receipt, other, codes));
}

/** Codes of batches, and what stands for any of them. */
async function vouchedFor(
  ports: VouchPorts,
  person: Person,
  { codes }: Basket,
  { plan }: CompiledPlan,
  now: number,
): Promise<VouchedCodes> {
  const standing = standIns(plan.promotions);
  const asked = codesToVouch(plan.promotions, codes).filter((code) => !standing.has(normalCode(code)));
  const vouched = await vouchCodes(ports, `${PERSON}${person.id}`, asked, now);
  return new Map([...standing, ...readVouched(vouched, asked)]);
}

const unitsIn = ({ lines }: Basket): number =>
  lines.reduce((sum, { thousandths }) => sum + thousandths / 1000, 0);
