import {
  done,
  failed,
  type Outcome,
  type Person,
  type ShopperView,
  writingOf,
} from '../../contracts/index.ts';
import { dayOf, firstDayOf, formatLocalDate, instant } from '../../core/calendar/index.ts';
import { formatAmount, minorUnits } from '../../core/money/index.ts';
import type { Promotion } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { shopperLimitsOf } from '../../core/receipt/index.ts';
import { namesOf, promotionText } from '../../core/sentence/index.ts';
import { countedAs, isFor, type Shopper } from '../../core/tag-price/index.ts';
import { todayIn } from '../check/today-in.ts';
import { knownAs, maySeeShoppers, type ShopperPorts } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { CurrentPlan, PlanBook, UseStore } from '../ports/index.ts';
import { accountsIn, foundShopper } from './found-shopper.ts';

type Ports = ShopperPorts & { readonly book: PlanBook; readonly uses: UseStore };

const ORDERS = 20;

/** All that is known of somebody, or of an account, and what they may use. */
export async function lookAtShopper(
  ports: Ports,
  person: Person,
  id: string,
  now: number,
): Promise<Outcome<ShopperView>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const { document, compiled } = current;
  const known = await ports.shoppers.person(id);
  const entry = (document.shoppers ?? []).find((one) => one.id === id);
  if (!known && !entry) return failed({ kind: 'not-found', what: `shopper ${id}` });
  const { shopper, history } = knownAs(compiled, id, known);
  const { currency } = compiled.plan;
  const amount = (minor: number) => formatAmount(minorUnits(minor), currency);
  const orders = await ports.shoppers.orders(id, ORDERS);
  return done({
    ...foundShopper(compiled, id, known),
    email: known?.email ?? null,
    ownGroups: known ? known.groups.filter((group) => isKind(compiled, group)) : (entry?.groups ?? []),
    priceList: entry?.priceList ?? null,
    lists: listsOf(current, id, shopper),
    cards: known?.cards ?? [],
    ...{ spent: amount(history.lifetimeSpend), currency: currency.code },
    since: known?.since.toISOString() ?? null,
    promotions: await promotionsFor(ports, person, current, shopper, now),
    people: await peopleOf(ports, current, id),
    orderList: orders.map(({ at, terminal, paid }) => ({
      at: at.toISOString(),
      terminal,
      paid: amount(paid),
    })),
    choices: choicesOf(current, id),
  });
}

const isKind = ({ plan }: CompiledPlan, group: string): boolean =>
  plan.shopperGroups.some(({ id }) => id === group);

/** Every list that makes their prices, each with whence they have it. */
function listsOf({ document, compiled }: CurrentPlan, id: string, shopper: Shopper): ShopperView['lists'] {
  if (shopper.kind === 'guest') return [];
  const entries = document.shoppers ?? [];
  const own = entries.find((one) => one.id === id)?.priceList;
  const account = entries.find((one) => one.id === shopper.account);
  const from = [
    ...(own === undefined ? [] : [{ list: own, from: 'their own' }]),
    ...(account?.priceList === undefined
      ? []
      : [{ list: account.priceList, from: account.name ?? account.id }]),
    ...compiled.plan.shopperGroups
      .filter(({ id: group, priceList }) => priceList !== undefined && shopper.groups.includes(group))
      .map(({ priceList, name }) => ({ list: priceList!, from: name })),
  ];
  return from.map(({ list, from }) => ({ name: compiled.priceLists.get(list)?.name ?? list, from }));
}

/** Promotions that go on or are to come and are for them and not for everyone. */
async function promotionsFor(
  { uses }: Ports,
  person: Person,
  { document, compiled }: CurrentPlan,
  shopper: Shopper,
  now: number,
): Promise<ShopperView['promotions']> {
  const today = todayIn(compiled, instant(now));
  const names = namesOf(document, writingOf(person));
  const theirs = compiled.plan.promotions.filter(
    (promotion) =>
      promotion.status === 'approved' &&
      concerns(promotion, shopper) &&
      (promotion.when.to === null || promotion.when.to > today),
  );
  const who = countedAs(shopper);
  const ownLimits = (promotion: Promotion) =>
    who === null
      ? []
      : shopperLimitsOf(promotion, who).map((limit) => ({ ...limit, every: promotion.uses.every }));
  const counted = theirs.flatMap(ownLimits).map(({ key, every }) => ({
    key,
    ...(every === null ? {} : { span: formatLocalDate(firstDayOf(every, dayOf(today))) }),
  }));
  const taken = await uses.counted(counted, new Date(now));
  return theirs.map((promotion) => ({
    id: promotion.id,
    name: promotion.name,
    sentence: promotionText(
      document.promotions.find(({ id }) => id === promotion.id)!,
      document.currency,
      names,
    ),
    uses: ownLimits(promotion).map(({ key, of, most, every }) => ({
      ...{ of, most, every },
      taken: taken.get(key)?.taken ?? 0,
    })),
  }));
}

/** What is for them and not for all, or is counted for each shopper. */
const concerns = ({ who, uses }: Promotion, shopper: Shopper): boolean =>
  isFor(who, shopper) && (who.kind === 'some' || uses.perShopper !== null || uses.unitsPerShopper !== null);

async function peopleOf(
  { shoppers }: Ports,
  { compiled }: CurrentPlan,
  id: string,
): Promise<ShopperView['people']> {
  const ids = compiled.plan.shoppers.filter(({ account }) => account === id).map((one) => one.id);
  const known = new Map((await shoppers.people(ids)).map((one) => [one.id, one]));
  return ids.map((one) => foundShopper(compiled, one, known.get(one) ?? null));
}

const choicesOf = ({ compiled }: CurrentPlan, id: string): ShopperView['choices'] => ({
  groups: compiled.plan.shopperGroups.map((group) => ({ id: group.id, name: group.name })),
  lists: compiled.plan.priceLists.map((list) => ({ id: list.id, name: list.name })),
  accounts: accountsIn(compiled).filter((one) => one.id !== id),
});
