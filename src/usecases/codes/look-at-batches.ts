import {
  type CodeBatchesView,
  type CodeBatchView,
  done,
  failed,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { type Currency, formatAmount, minorUnits } from '../../core/money/index.ts';
import { seenBy } from '../people/index.ts';
import type { CodeBatchState, CodeStore, PlanBook } from '../ports/index.ts';
import { guessesPerDay } from '../vouch/index.ts';
import { LIST_DAYS } from './code-list.ts';

/** The batches of a promotion, the newest first. */
export async function lookAtCodeBatches(
  ports: { book: PlanBook; codes: CodeStore },
  person: Person,
  id: string,
): Promise<Outcome<CodeBatchesView>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const { document, compiled } = await seenBy(ports.book, person);
  if (!document.promotions.some((one) => one.id === id))
    return failed({ kind: 'not-found', what: `promotion ${id}` });
  const batches = await ports.codes.batches(id);
  return done({
    batches: batches.map((batch) => batchView(batch, compiled.plan.currency)),
    currency: compiled.plan.currency.code,
    guessesPerDay: guessesPerDay(Math.max(1, compiled.plan.terminals.length)),
    listDays: LIST_DAYS,
  });
}

export const batchView = (batch: CodeBatchState, currency: Currency): CodeBatchView => {
  const { id, pattern, wanted, made, used, withdrawn, test, maker, listed } = batch;
  return {
    ...{ id, pattern, wanted, made, used, withdrawn, test, maker, listed },
    worth: formatAmount(minorUnits(batch.worth), currency),
    from: batch.fromDay,
    to: batch.toDay,
    madeAt: batch.madeAt.toISOString(),
    taken: batch.taken.map(({ by, at }) => ({ by: by ?? 'somebody', at: at.toISOString() })),
    allWithdrawn: batch.withdrawnAt !== null,
  };
};
