import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type Preview,
  sees,
} from '../contracts/index.ts';
import { formatMoment } from '../core/calendar/index.ts';
import { type Consequences, consequencesOf, outlived } from '../core/consequences/index.ts';
import { formatAmount, type MinorUnits } from '../core/money/index.ts';
import { readPromotion } from '../core/plan/index.ts';
import { namesOf, promotionText } from '../core/sentence/index.ts';
import type { CurrentPlan, PlanBook } from './plan-store.ts';
import { readPromotionInput } from './save-promotion.ts';
import { seenBy } from './sight.ts';

const LINES_SHOWN = 300;

/** What a draft would do, without saving it. */
export async function previewPromotion(
  ports: { book: PlanBook },
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
  const sentence = promotionText(read.value, current.document.currency, namesOf(current.document));
  const told = { sentence, ...shown(consequences, current), terms: outlived(draft) };
  return done(person.costs ? told : withoutMargins(told));
}

/** What it does to prices, and nothing of what the goods cost. */
const withoutMargins = (preview: Preview): Preview => ({
  ...preview,
  belowCost: 0,
  belowFloor: 0,
  terms: null,
  lines: preview.lines
    .map((line) => ({ ...line, cost: null, margin: null, breakEven: null }))
    // The order told which of them are sold below cost.
    .sort((a, b) => Number(a.after === a.before) - Number(b.after === b.before) || (a.sku < b.sku ? -1 : 1)),
});

function shown(
  result: Consequences,
  { compiled, document }: CurrentPlan,
): Omit<Preview, 'sentence' | 'terms'> {
  const money = (amount: MinorUnits) => formatAmount(amount, compiled.plan.currency);
  const promotions = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  const store = result.lookedAt && compiled.stores.get(result.lookedAt.store)!;
  return {
    items: result.items,
    stores: result.stores.length,
    changed: result.changed,
    belowCost: result.belowCost,
    belowFloor: result.belowFloor,
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
      .map(({ regular, before, after, cost, instead: _, ...line }) => ({
        ...line,
        regular: money(regular),
        before: money(before),
        after: money(after),
        cost: cost === null ? null : money(cost),
      })),
  };
}

/** What is sold below cost stands first, then what changes at all. */
function attention({ before, after, cost }: Consequences['lines'][number]): number {
  if (cost !== null && after < cost && after !== before) return 2;
  return after === before ? 0 : 1;
}
