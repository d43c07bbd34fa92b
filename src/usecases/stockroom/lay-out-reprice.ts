import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type RepriceRequest,
  type WorksheetView,
} from '../../contracts/index.ts';
import { parseLocalDate } from '../../core/calendar/index.ts';
import type { PlanDocument, PromotionDocument, WorksheetDocument } from '../../core/plan/index.ts';
import { handPricedItems, repriceLines } from '../../core/worksheet/index.ts';
import { seenBy } from '../people/index.ts';
import { linesFor, passQuestions, readPromotionInput } from '../plan/index.ts';
import type { PlanBook } from '../ports/index.ts';

/** The regular prices that a worksheet would make anew, row by row, with those that stay. */
export async function layOutReprice(
  ports: { book: PlanBook },
  person: Person,
  { since, scope, fresh = false, carry = false, worksheet }: RepriceRequest,
): Promise<Outcome<WorksheetView>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const { compiled, document } = await seenBy(ports.book, person);
  const day = parseLocalDate(since);
  if (day === null) return invalid(['since'], `"${since}" is no day`, 'a day such as 2027-03-01');
  const read = readWorksheet(worksheet, document, since);
  if (!read.ok) return read;
  const lines = repriceLines(compiled, {
    since: day,
    scope: scope.ids
      ? { kind: scope.kind as 'zones' | 'stores', ids: scope.ids }
      : { kind: scope.kind as 'every' },
    passes: passQuestions(read.value),
    added: handPricedItems(read.value),
    fresh,
    carry,
  });
  return done({
    lines: linesFor(person, lines),
    stores: [],
    unsold: [],
    elsewhere: [],
    lookedAt: null,
  });
}

/** A worksheet is checked as that of a price change, which it is but for what comes of it. */
function readWorksheet(
  worksheet: unknown,
  document: PlanDocument,
  since: string,
): Outcome<WorksheetDocument> {
  const frame = {
    id: 'reprice',
    name: 'Regular prices',
    status: 'draft',
    when: { from: `${since}T00:00` },
    offer: { kind: 'priceChange', items: { items: [] }, formula: { percentOff: 0 }, worksheet },
  };
  const read = readPromotionInput(frame, document);
  if (!read.ok) return read;
  return done(
    (read.value as PromotionDocument & { offer: { worksheet: WorksheetDocument } }).offer.worksheet,
  );
}
