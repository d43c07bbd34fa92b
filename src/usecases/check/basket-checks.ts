import {
  type BasketCheckRequest,
  type BasketCheckResult,
  type BasketCheckView,
  type CheckMoment,
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  parseBasket,
  sees,
} from '../../contracts/index.ts';
import {
  dayNumber,
  dayOf,
  formatLocalDate,
  type Instant,
  parseMoment,
  WEEKDAYS,
  weekdayOf,
} from '../../core/calendar/index.ts';
import { type Currency, formatAmount, minorUnits, parseAmount } from '../../core/money/index.ts';
import { describeFault, type StoreDocument } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { type Basket, promotionsOnGoods, ringBasket, standIns } from '../../core/receipt/index.ts';
import { type ShopperPorts, withWhoIs } from '../known/index.ts';
import type { BasketCheckStore, CurrentPlan, PlanBook, StoredBasketCheck } from '../ports/index.ts';

type Ports = { book: PlanBook; checks: BasketCheckStore };

/** The work that a till and a trial basket are given, and no less: the three are to say the same. */
const AS_A_TILL = null;
/** All are rung again with each plan; a chain keeps a few dozen. */
const MOST_CHECKS = 300;

/** Every kept basket with what came of it with the plan as it stands; what has not run with it yet runs now. */
export async function runBasketChecks(
  ports: Ports,
  person: Pick<Person, 'stores'>,
  now: Instant,
): Promise<BasketCheckView[]> {
  const current = await ports.book.current();
  const all = await ports.checks.all();
  const seen = all.filter(({ basket }) => sees(person, basket.store));
  const views: BasketCheckView[] = [];
  for (const check of seen)
    views.push(viewOf(check, await resultOf(ports.checks, check, current, now), current));
  return views;
}

/** Keeps a basket as a check, and rings it for the first time. One of the same name is replaced. */
export async function keepBasketCheck(
  ports: Ports & ShopperPorts,
  person: Person,
  { name, basket: said, moment, ...wanted }: BasketCheckRequest,
  now: Instant,
): Promise<Outcome<BasketCheckView>> {
  if (!may(person, 'plan') || !sees(person, said.store)) return failed({ kind: 'forbidden' });
  const current = await ports.book.current();
  const { currency } = current.compiled.plan;
  // As they are known today: a basket that is kept is to stay the same one.
  const basket = await withWhoIs(ports, current.compiled, said);
  const { atMost = null, atLeast = null }: { atMost?: string | null; atLeast?: string | null } = wanted;
  for (const [key, amount] of Object.entries({ atMost, atLeast }))
    if (amount !== null && parseAmount(amount, currency) === null)
      return invalid([key], `"${amount}" is no amount`, `one with at most ${currency.exponent} decimals`);
  const store = current.compiled.stores.get(basket.store);
  const parsed = parseBasket(
    { ...basket, at: momentOf(moment, store, current.compiled, now) },
    current.compiled,
  );
  if (!parsed.ok) return failed({ kind: 'invalid', faults: parsed.faults });
  if (parsed.basket.lines.length === 0)
    return invalid(['basket', 'lines'], 'the basket is empty', 'one item or more');
  const others = (await ports.checks.all()).filter((other) => other.name !== name.trim()).length;
  if (others >= MOST_CHECKS)
    return invalid([], `${others} baskets are kept already`, 'one of them dropped, or an old one replaced');
  const check = { name: name.trim(), basket, moment, atMost, atLeast, result: null };
  const id = await ports.checks.put(check, person.id);
  const stored = { ...check, id };
  return done(viewOf(stored, await resultOf(ports.checks, stored, current, now), current));
}

export async function dropBasketCheck(
  ports: Pick<Ports, 'checks'>,
  person: Person,
  id: number,
): Promise<Outcome<object>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  return (await ports.checks.drop(id)) ? done({}) : failed({ kind: 'not-found', what: `kept basket ${id}` });
}

async function resultOf(
  checks: BasketCheckStore,
  check: StoredBasketCheck,
  { version, compiled }: CurrentPlan,
  now: Instant,
): Promise<BasketCheckResult> {
  const at = momentOf(check.moment, compiled.stores.get(check.basket.store), compiled, now);
  if (check.result?.planVersion === version && check.result.at === at) return check.result;
  const result = { planVersion: version, at, ...rung(check, at, compiled) };
  await checks.keepResult(check.id, result);
  return result;
}

/** Promotions that act in kept baskets which do not come to what they should with the plan as it stands. */
export async function actingInFailing(ports: Ports, now: Instant): Promise<ReadonlySet<string>> {
  const current = await ports.book.current();
  const acting = new Set<string>();
  for (const check of await ports.checks.all()) {
    const { holds, at } = await resultOf(ports.checks, check, current, now);
    const parsed = holds ? null : parseBasket({ ...check.basket, at }, current.compiled);
    if (!parsed?.ok) continue;
    for (const id of promotionsOnGoods(ringed(current.compiled, parsed.basket))) acting.add(id);
  }
  return acting;
}

/** A kept basket holds no single-use code, which would be gone when it is rung again: what stands for any of them does. */
const ringed = (compiled: CompiledPlan, basket: Basket) =>
  ringBasket(compiled, { ...basket, vouched: standIns(compiled.plan.promotions) }, AS_A_TILL, {
    nearly: false,
  });

/** What a kept basket comes to in a plan; null where it could not be rung. */
export function ringKept(check: StoredBasketCheck, compiled: CompiledPlan, now: Instant): string | null {
  return rung(check, momentOf(check.moment, compiled.stores.get(check.basket.store), compiled, now), compiled)
    .total;
}

function rung(
  { basket, atMost, atLeast }: StoredBasketCheck,
  at: string,
  compiled: CompiledPlan,
): Pick<BasketCheckResult, 'total' | 'holds' | 'problems'> {
  const parsed = parseBasket({ ...basket, at }, compiled);
  if (!parsed.ok) return { total: null, holds: false, problems: parsed.faults.map(describeFault) };
  const { currency } = compiled.plan;
  const { total, problems } = ringed(compiled, parsed.basket);
  // A basket of which something is not sold costs less, and says nothing of what it stands for.
  const whole = problems.every(({ line }) => line === null);
  return {
    total: formatAmount(minorUnits(total), currency),
    holds: whole && within(total, atMost, atLeast, currency),
    problems: problems.map(({ message }) => message),
  };
}

function within(total: number, atMost: string | null, atLeast: string | null, currency: Currency): boolean {
  const amount = (text: string) => parseAmount(text, currency)!;
  return (atMost === null || total <= amount(atMost)) && (atLeast === null || total >= amount(atLeast));
}

const WEEK = 7;

/** The moment at which a check is rung: the one it names, or the next such weekday from today on. */
function momentOf(
  moment: CheckMoment,
  store: StoreDocument | undefined,
  compiled: CompiledPlan,
  now: Instant,
): string {
  if ('at' in moment) return moment.at;
  // The store itself is refused then.
  if (!store) return moment.time;
  const clock = compiled.clockOf(store);
  const today = dayOf(clock.toWall(now));
  const ahead = (WEEKDAYS.indexOf(moment.next) - WEEKDAYS.indexOf(weekdayOf(today)) + WEEK) % WEEK;
  const text = (days: number) => `${formatLocalDate(dayNumber(today + days))}T${moment.time}`;
  // Today's hour may have passed.
  return parseMoment(text(ahead), clock)! > now ? text(ahead) : text(ahead + WEEK);
}

function viewOf(
  check: StoredBasketCheck,
  result: BasketCheckResult,
  { compiled }: CurrentPlan,
): BasketCheckView {
  const { store } = check.basket;
  return { ...check, result, storeName: compiled.stores.get(store)?.name ?? store };
}
