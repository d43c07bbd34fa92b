import {
  type DealPreview,
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  sees,
  writingOf,
} from '../../contracts/index.ts';
import { formatMoment } from '../../core/calendar/index.ts';
import {
  type DealConsequences,
  type DealStep,
  dealConsequences,
} from '../../core/deal-consequences/index.ts';
import { formatAmount, formatThousandths, type MinorUnits, minorUnits } from '../../core/money/index.ts';
import { type PromotionDocument, readPromotion } from '../../core/plan/index.ts';
import { apply, type BasketOfferPromotion } from '../../core/price-book/index.ts';
import { type Basket, readBasket, ringBasket } from '../../core/receipt/index.ts';
import { type Names, namesOf, promotionText } from '../../core/sentence/index.ts';
import { trialBasketView } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { CurrentPlan, PlanBook, WorkRulesStore } from '../ports/index.ts';
import { houseView } from './house-view.ts';
import { readPromotionInput } from './save-promotion.ts';

/** A receipt that follows the typing; past this much work the best found so far is shown. */
const WORK = 1_000_000;

/** Lines of a trial basket, as they come in. */
export type TrialLines = readonly { readonly sku: string; readonly quantity: string }[];

/** What a draft of a deal over the basket would do, without saving it. */
export async function previewDeal(
  ports: { book: PlanBook; rules: WorkRulesStore },
  person: Person,
  input: { promotion: unknown; store: string | null; lines: TrialLines | null },
): Promise<Outcome<DealPreview>> {
  const ownStores = person.stores === null || (input.store !== null && sees(person, input.store));
  if (!may(person, 'see') || !ownStores) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const read = readPromotionInput(input.promotion, current.document);
  if (!read.ok) return read;
  if (read.value.offer.kind === 'priceChange')
    return invalid(['offer', 'kind'], read.value.offer.kind, 'a deal over the basket');
  const draft = readPromotion(read.value, current.compiled.plan.currency) as BasketOfferPromotion;
  const consequences = dealConsequences(current.compiled, draft, input.store);
  const { lookedAt } = consequences;
  if (lookedAt && !sees(person, lookedAt.store)) return failed({ kind: 'forbidden' });
  const plan = withDraft(current, read.value);
  const names = namesOf(plan, writingOf(person));
  const trial = trialOf(consequences, input.lines);
  if (trial && !trial.ok) return failed({ kind: 'invalid', faults: trial.faults });
  const told = {
    sentence: promotionText(read.value, plan.currency, names),
    house: houseView(current.compiled, read.value, (await ports.rules.current()).house, person),
    ...shown(consequences, current, names),
    trial: trial && rung(trial.basket),
  };
  return done(person.costs ? told : withoutMargins(told));

  function rung(basket: Basket): DealPreview['trial'] {
    const { compiled } = consequences.trial!;
    const { currency } = compiled.plan;
    const before = apply(compiled, { kind: 'drop-promotion', id: draft.id }).compiled;
    return {
      lines: basket.lines.map(({ sku, thousandths }) => ({ sku, quantity: formatThousandths(thousandths) })),
      basket: trialBasketView(plan, names, ringBasket(compiled, basket, WORK), null),
      without: formatAmount(minorUnits(ringBasket(before, basket, WORK, { nearly: false }).total), currency),
    };
  }
}

/** What it does to prices, and nothing of what the goods cost. */
const withoutMargins = (preview: DealPreview): DealPreview => ({
  ...preview,
  steps: preview.steps.map((step) => ({
    ...step,
    cost: null,
    marginBefore: null,
    marginAfter: null,
    breakEven: null,
  })),
  warnings: preview.warnings.filter(({ code }) => !OF_COSTS.includes(code)),
});
const OF_COSTS: readonly string[] = ['below-cost', 'below-floor'];

/** The plan as it would be with the draft in it, switched on: its words are wanted on the receipt too. */
function withDraft({ document }: CurrentPlan, draft: PromotionDocument): CurrentPlan['document'] {
  const others = document.promotions.filter(({ id }) => id !== draft.id);
  return { ...document, promotions: [...others, draft] };
}

/** The basket to ring: the lines that are asked for, or the first sample that the deal makes cheaper. */
function trialOf(
  { trial, steps }: DealConsequences,
  asked: TrialLines | null,
): ReturnType<typeof readBasket> | null {
  if (!trial) return null;
  const sample = steps.find(({ after, before, delivery }) => after < before || delivery) ?? steps[0];
  const lines = asked ?? sample?.lines;
  if (!lines || lines.length === 0) return null;
  const { store } = trial.circumstances;
  const read = readBasket({ store, at: NO_MATTER_WHEN, lines: [...lines] }, trial.compiled);
  return read.ok ? { ok: true, basket: { ...trial.circumstances, lines: read.basket.lines } } : read;
}

/** Only the lines are read from it; the moment stands in the circumstances. */
const NO_MATTER_WHEN = '2000-01-01T12:00';

function shown(
  { stores, lookedAt, items, steps, rivals, warnings }: DealConsequences,
  { compiled, document }: CurrentPlan,
  names: Names,
): Omit<DealPreview, 'sentence' | 'house' | 'trial'> {
  const store = lookedAt && compiled.stores.get(lookedAt.store)!;
  const promotions = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  const skus = steps.flatMap(({ lines, split }) => [...lines, ...(split ?? [])].map(({ sku }) => sku));
  const gifts = warnings.flatMap((warning) => (warning.code === 'gift-not-carried' ? [warning.gift] : []));
  const named = warnings.flatMap((warning) =>
    'stores' in warning ? warning.stores.slice(0, STORES_NAMED) : [],
  );
  return {
    stores: stores.length,
    lookedAt: store && {
      store: store.id,
      storeName: store.name,
      at: formatMoment(lookedAt.at, compiled.clockOf(store)),
    },
    items,
    steps: steps.map((step) => stepView(step, (amount) => formatAmount(amount, compiled.plan.currency))),
    rivals: rivals.map(({ promotion, items: wanted }) => ({
      id: promotion,
      name: promotions.get(promotion)?.name ?? promotion,
      priority: promotions.get(promotion)?.priority ?? 100,
      items: wanted,
    })),
    warnings,
    names: Object.fromEntries([...new Set([...skus, ...gifts])].map((sku) => [sku, names.item(sku)])),
    storeNames: Object.fromEntries(named.map((id) => [id, compiled.stores.get(id)!.name])),
  };
}

const STORES_NAMED = 5;

function stepView(step: DealStep, money: (amount: MinorUnits) => string): DealPreview['steps'][number] {
  const { before, after, cost, split, delivery, ...rest } = step;
  return {
    ...rest,
    before: money(before),
    after: money(after),
    cost: cost === null ? null : money(cost),
    split: split?.map(({ paid, ...unit }) => ({ ...unit, paid: money(paid) })) ?? null,
    delivery: delivery && { before: money(delivery.before), after: money(delivery.after) },
  };
}
