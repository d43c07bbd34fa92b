import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  sees,
  type WorksheetView,
} from '../../contracts/index.ts';
import { formatMoment } from '../../core/calendar/index.ts';
import {
  type FormulaDocument,
  isPriceChange,
  readPromotion,
  type WorksheetDocument,
} from '../../core/plan/index.ts';
import {
  handPricedItems,
  type PassQuestion,
  type SheetLine,
  sheetFacts,
} from '../../core/worksheet/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { readPromotionInput } from './save-promotion.ts';

/** The lines that the passes of a worksheet select, with what stands in them before the passes are run. */
export async function layOutWorksheet(
  ports: { book: PlanBook },
  person: Person,
  input: { promotion: unknown; store: string | null },
): Promise<Outcome<WorksheetView>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const { compiled, document } = await seenBy(ports.book, person);
  const read = readPromotionInput(input.promotion, document);
  if (!read.ok) return read;
  const sheet = isPriceChange(read.value) ? read.value.offer.worksheet : undefined;
  if (!sheet)
    return invalid(['offer', 'worksheet'], 'nothing stands here', 'a price change with a worksheet');
  const facts = sheetFacts(compiled, {
    draft: readPromotion(read.value, compiled.plan.currency),
    passes: passQuestions(sheet),
    added: handPricedItems(sheet),
    prefer: input.store,
  });
  if (facts.lookedAt && !sees(person, facts.lookedAt.store)) return failed({ kind: 'forbidden' });
  const store = facts.lookedAt && compiled.stores.get(facts.lookedAt.store)!;
  const names = new Map(document.promotions.map(({ id, name }) => [id, name]));
  return done({
    lines: linesFor(person, facts.lines),
    stores: facts.stores,
    unsold: facts.unsold,
    elsewhere: facts.elsewhere.map(({ promotion, items }) => ({
      id: promotion,
      name: names.get(promotion) ?? promotion,
      items,
    })),
    lookedAt: store && {
      store: store.id,
      storeName: store.name,
      at: formatMoment(facts.lookedAt!.at, compiled.clockOf(store)),
      stores: facts.lookedAt!.stores,
    },
  });
}

/** What the passes ask of the lines. */
export const passQuestions = ({ passes }: WorksheetDocument): PassQuestion[] =>
  passes.map(({ items, formula }) => ({ items, list: listOf(formula) }));

export const linesFor = (person: Person, lines: readonly SheetLine[]): readonly SheetLine[] =>
  person.costs ? lines : lines.map((line) => ({ ...line, cost: null }));

const listOf = (formula: FormulaDocument): string | null =>
  'basis' in formula && typeof formula.basis === 'object' ? formula.basis.priceList : null;
