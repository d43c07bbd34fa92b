import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type Preview,
  sees,
  writingOf,
} from '../../contracts/index.ts';
import { formatMoment } from '../../core/calendar/index.ts';
import { type Consequences, consequencesOf, outlived } from '../../core/consequences/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import { readPromotion } from '../../core/plan/index.ts';
import { namesOf, promotionText } from '../../core/sentence/index.ts';
import { seenBy } from '../people/index.ts';
import type { CurrentPlan, PlanBook, WorkRulesStore } from '../ports/index.ts';
import { houseView } from './house-view.ts';
import { readPromotionInput } from './save-promotion.ts';

const LINES_SHOWN = 300;

/** What a draft would do, without saving it. */
export async function previewPromotion(
  ports: { book: PlanBook; rules: WorkRulesStore },
  person: Person,
  input: { promotion: unknown; store: string | null },
): Promise<Outcome<Preview>> {
  const ownStores = person.stores === null || (input.store !== null && sees(person, input.store));
  if (!may(person, 'see') || !ownStores) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const read = readPromotionInput(input.promotion, current.document);
  if (!read.ok) return read;
  if (read.value.offer.kind !== 'priceChange')
    return invalid(['offer', 'kind'], read.value.offer.kind, 'priceChange');
  const draft = readPromotion(read.value, current.compiled.plan.currency);
  const consequences = consequencesOf(current.compiled, draft, input.store);
  if (consequences.lookedAt && !sees(person, consequences.lookedAt.store))
    return failed({ kind: 'forbidden' });
  const sentence = promotionText(
    read.value,
    current.document.currency,
    namesOf(current.document, writingOf(person)),
  );
  const told = {
    sentence,
    house: houseView(current.compiled, read.value, (await ports.rules.current()).house, person),
    ...shown(consequences, current),
    terms: outlived(draft),
  };
  return done(person.costs ? told : withoutMargins(told));
}

/** What it does to prices, and nothing of what the goods cost. */
const withoutMargins = (preview: Preview): Preview => ({
  ...preview,
  belowCost: 0,
  belowFloor: 0,
  terms: null,
  lines: preview.lines
    .map((line) => ({ ...line, cost: null, margin: null, breakEven: null, worst: null }))
    // The order told which of them are sold below cost.
    .sort((a, b) => Number(a.after === a.before) - Number(b.after === b.before) || (a.sku < b.sku ? -1 : 1)),
});

function shown(
  result: Consequences,
  { compiled, document }: CurrentPlan,
): Omit<Preview, 'sentence' | 'house' | 'terms'> {
  const money = (amount: MinorUnits) => formatAmount(amount, compiled.plan.currency);
  const promotions = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  const named = (id: string) => ({ id, name: compiled.stores.get(id)?.name ?? id });
  const store = result.lookedAt && compiled.stores.get(result.lookedAt.store)!;
  return {
    items: result.items,
    stores: result.stores.length,
    changed: result.changed,
    belowCost: result.belowCost,
    belowFloor: result.belowFloor,
    raised: result.raised,
    kept: result.kept,
    differing: result.differing,
    lookedAt: store && {
      store: store.id,
      storeName: store.name,
      at: formatMoment(result.lookedAt!.at, compiled.clockOf(store)),
    },
    meets: result.meets.map(({ promotion, ...rest }) => ({
      id: promotion,
      name: promotions.get(promotion)?.name ?? promotion,
      priority: promotions.get(promotion)?.priority ?? 100,
      ...rest,
    })),
    lines: result.lines
      .toSorted((a, b) => attention(b) - attention(a))
      .slice(0, LINES_SHOWN)
      .map(({ regular, before, after, cost, instead: _, across, store: at, ...line }) => ({
        ...line,
        elsewhere: at === result.lookedAt?.store ? null : named(at),
        range:
          across.after.low === across.after.high
            ? null
            : { low: money(across.after.low), high: money(across.after.high) },
        worst:
          across.worst && line.margin !== null && across.worst.margin < line.margin
            ? {
                store: across.worst.store,
                name: named(across.worst.store).name,
                margin: Number.isFinite(across.worst.margin) ? across.worst.margin : null,
              }
            : null,
        regular: money(regular),
        before: money(before),
        after: money(after),
        cost: cost === null ? null : money(cost),
      })),
  };
}

/** What is sold below cost stands first, then what changes at all. */
function attention({ across: { changedIn, worst, raisedIn }, lost }: Consequences['lines'][number]): number {
  if (changedIn > 0 && worst !== null && worst.margin < 0) return 3;
  if (raisedIn > 0 || lost === 'would-raise') return 2;
  return changedIn > 0 ? 1 : 0;
}
