import {
  type Around,
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type PriceRequest,
  type PriceStory,
  sees,
  writingOf,
} from '../../contracts/index.ts';
import {
  DAY,
  dayNumber,
  dayOf,
  formatLocalDate,
  formatMoment,
  type Instant,
  midnight,
  parseMoment,
  type ZoneClock,
} from '../../core/calendar/index.ts';
import { dealsOn, unitLadder } from '../../core/ladder/index.ts';
import { describeRatio, formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { Promotion } from '../../core/plan/index.ts';
import { type PriceQuestion, priceAt, timeline } from '../../core/price-book/index.ts';
import { formulaWords, namesOf, promotionText, roundingWords } from '../../core/sentence/index.ts';
import type { PriceAnswer, Working } from '../../core/tag-price/index.ts';
import { decimalWords } from '../../core/writing/index.ts';
import type { ShopperPorts } from '../known/index.ts';
import { isOnCost, seenBy } from '../people/index.ts';
import type { CurrentPlan, PlanBook } from '../ports/index.ts';
import { shopperOf } from './shopper-of.ts';

/** How far the steps reach before and after the moment. */
const REACH: Readonly<Record<Around, { readonly before: number; readonly after: number }>> = {
  day: { before: 0, after: DAY },
  week: { before: 7 * DAY, after: 7 * DAY },
  year: { before: 182 * DAY, after: 183 * DAY },
};
/** So many units are told; deals on more are read in their sentence. */
const LADDER = 12;
/** How far ahead the next change is looked for. */
const AHEAD = 400 * DAY;

/** The price of one item in one store at one moment for one kind of shopper, with its whole story. */
export async function askPrice(
  ports: { book: PlanBook } & ShopperPorts,
  person: Person,
  request: PriceRequest,
): Promise<Outcome<PriceStory>> {
  if (!may(person, 'see') || !sees(person, request.store)) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const { compiled } = current;
  const store = compiled.stores.get(request.store);
  if (!store) return failed({ kind: 'not-found', what: `store ${request.store}` });
  const index = compiled.catalogue.indexOf.get(request.item);
  if (index === undefined) return failed({ kind: 'not-found', what: `item ${request.item}` });
  const clock = compiled.clockOf(store);
  const at = parseMoment(request.at, clock);
  if (at === null)
    return invalid(['at'], `"${request.at}" is no moment`, 'a wall time such as 2027-03-01T09:00');
  const shopper = await shopperOf(ports, request.group, compiled);
  if (!shopper)
    return invalid(
      ['group'],
      `nobody shops as "${request.group}"`,
      'the id of a kind of shopper, or shopper: and a number',
    );
  const question = { sku: request.item, store: store.id, shopper };
  const item = compiled.catalogue.items[index]!;
  const answer = priceAt(compiled, { ...question, at });
  const span = spanAround(at, clock, request.around ?? 'week');
  const ahead = stepsOf(current, question, { from: at, to: (at + AHEAD) as Instant }, clock);
  return done({
    item: { sku: item.sku, name: item.name, unit: item.unit ?? 'each', gtin: item.gtin ?? null },
    store: { id: store.id, name: store.name, timeZone: store.timeZone },
    at: formatMoment(at, clock),
    currency: compiled.plan.currency.code,
    ...storyOf(answer, current, person),
    ...dealsOf(current, { ...question, at }, person),
    steps: stepsOf(current, question, span, clock),
    next: ahead[1] ?? null,
  });
}

/** The day of the store's own clock, or so much to either side. */
function spanAround(at: Instant, clock: ZoneClock, around: Around): { from: Instant; to: Instant } {
  const { before, after } = REACH[around];
  if (around !== 'day') return { from: (at - before) as Instant, to: (at + after) as Instant };
  const day = dayOf(clock.toWall(at));
  return { from: clock.toInstant(midnight(day)), to: clock.toInstant(midnight(dayNumber(day + 1))) };
}

function storyOf(
  answer: PriceAnswer,
  current: CurrentPlan,
  person: Person,
): Omit<PriceStory, 'item' | 'store' | 'at' | 'currency' | 'steps' | 'next' | 'deals' | 'ladder'> {
  if (answer.kind === 'problem')
    return {
      problem: answer.problem,
      price: null,
      regular: null,
      base: null,
      winner: null,
      onTop: [],
      lost: [],
    };
  const { compiled, document } = current;
  const money = (amount: MinorUnits) => formatAmount(amount, compiled.plan.currency);
  const byId = new Map(compiled.plan.promotions.map((promotion) => [promotion.id, promotion]));
  const nameOf = (id: string) => byId.get(id)?.name ?? id;
  const lists = new Map(compiled.plan.priceLists.map(({ id, name }) => [id, name]));
  const names = namesOf(document, writingOf(person));
  const sentenceOf = (id: string) =>
    promotionText(document.promotions.find((promotion) => promotion.id === id)!, document.currency, names);
  return {
    problem: null,
    price: money(answer.price),
    regular: {
      price: money(answer.regular.price),
      scope: answer.regular.scope,
      since: answer.regular.since === null ? null : formatLocalDate(answer.regular.since),
    },
    base: {
      price: money(answer.base.price),
      list: answer.base.list === null ? null : (lists.get(answer.base.list) ?? answer.base.list),
    },
    winner: answer.winner && {
      id: answer.winner.promotion,
      name: nameOf(answer.winner.promotion),
      sentence: sentenceOf(answer.winner.promotion),
      working: workingWords(answer.winner.working, byId.get(answer.winner.promotion)!, current, person),
      changesNothing: answer.winner.changesNothing,
    },
    onTop: answer.onTop.map(({ promotion, before, after }) => ({
      id: promotion,
      name: nameOf(promotion),
      before: money(before),
      after: money(after),
    })),
    lost: answer.lost.map(({ promotion, reason, result }) => ({
      id: promotion,
      name: nameOf(promotion),
      reason,
      result: result === null ? null : money(result),
    })),
  };
}

/** Which deals take the item in, and what so many of it come to. */
function dealsOf(
  { compiled, document }: CurrentPlan,
  question: PriceQuestion,
  person: Person,
): Pick<PriceStory, 'deals' | 'ladder'> {
  const names = namesOf(document, writingOf(person));
  const documents = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  const found = dealsOn(compiled, question);
  const live = found.filter(({ reason }) => reason === null);
  const nameOf = (id: string) => ({ id, name: documents.get(id)?.name ?? id });
  const money = (amount: MinorUnits) => formatAmount(amount, compiled.plan.currency);
  return {
    deals: [...live, ...found.filter(({ reason }) => reason !== null)].map(({ promotion, reason }) => ({
      ...nameOf(promotion.id),
      sentence: promotionText(documents.get(promotion.id)!, document.currency, names),
      reason,
    })),
    ladder: (live.length === 0 ? [] : unitLadder(compiled, question, LADDER)).map(
      ({ quantity, goods, each, promotions }) => ({
        quantity,
        goods: money(goods),
        each: money(each),
        deals: promotions.map(nameOf),
      }),
    ),
  };
}

/** "15 % less on 24.90 is 21.165, rounded up to 0.05: 21.20" */
function workingWords(
  working: Working,
  promotion: Promotion,
  { compiled, document }: CurrentPlan,
  person: Person,
): string {
  const { currency } = compiled.plan;
  const writing = writingOf(person);
  const said = (amount: string) => decimalWords(amount, writing);
  const result = said(formatAmount(working.result, currency));
  if (working.kind === 'line-price') return `a price of its own for this item: ${result}`;
  const offer = document.promotions.find(({ id }) => id === promotion.id)!.offer;
  if (offer.kind !== 'priceChange' || !offer.formula) return result;
  // From the price and the way to it anybody can go back.
  if (!person.costs && isOnCost(offer.formula)) return `worked out from what the item costs us: ${result}`;
  const exact = describeRatio(working.exact, currency.exponent).replace(/^[\d.]+/, said);
  const words = formulaWords(offer.formula, currency.code, namesOf(document, writing));
  const rounded = offer.rounding
    ? `, ${roundingWords(offer.rounding, writing)}: ${result}`
    : exact === result
      ? ''
      : `, rounded: ${result}`;
  return `${words} ${said(formatAmount(working.basisAmount, currency))} is ${exact}${rounded}`;
}

function stepsOf(
  current: CurrentPlan,
  question: Parameters<typeof timeline>[1],
  span: { from: Instant; to: Instant },
  clock: ZoneClock,
): PriceStory['steps'] {
  const names = new Map(current.compiled.plan.promotions.map(({ id, name }) => [id, name]));
  return timeline(current.compiled, question, span).map((step) => ({
    from: formatMoment(step.from, clock),
    to: formatMoment(step.to, clock),
    price: step.price === null ? null : formatAmount(step.price, current.compiled.plan.currency),
    promotion:
      step.promotion === null
        ? null
        : { id: step.promotion, name: names.get(step.promotion) ?? step.promotion },
  }));
}
