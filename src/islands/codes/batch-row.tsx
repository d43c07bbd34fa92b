import type { CodeBatchView } from '../../contracts/view/index.ts';
import { dateWords, saidAmount, saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { type BatchAct, BatchActs } from './batch-acts.tsx';

/** One batch: how far it has gone, and what can be done with it. */
export function BatchRow({
  batch,
  currency,
  listDays,
  timeZone,
  busy,
  onAct,
}: {
  batch: CodeBatchView;
  currency: string;
  /** For so many days its list can be taken. */
  listDays: number;
  timeZone: string;
  busy: boolean;
  /** Null: the person may only look. */
  onAct: ((act: BatchAct, to?: string | null) => void) | null;
}) {
  const { id, made, wanted, withdrawn, listed, test, maker, madeAt } = batch;
  const whole = made >= wanted;
  const of = saidCount(wanted);
  return (
    <li className="hairline border-b py-2.5">
      <p>
        <b>Batch {id}</b>
        {test ? ', test codes' : ''}:{' '}
        {whole || batch.allWithdrawn
          ? `${saidCount(made)} codes`
          : `${saidCount(made)} of ${of} codes made so far`}
        , {test ? 'counted nowhere' : usedWords(batch, currency)}
        {withdrawn > 0 ? `, ${saidCount(withdrawn)} withdrawn` : ''}
        {batch.allWithdrawn ? ', all withdrawn' : ''}; {goodWords(batch)}
      </p>
      {whole || batch.allWithdrawn ? null : (
        <progress
          className="progress w-64"
          value={made}
          max={wanted}
          aria-label={`Codes of batch ${id} made`}
        />
      )}
      <p className="quiet">
        By {maker ?? 'somebody who is gone'}, {shortMoment(timeIn(timeZone, madeAt), '')}.
        {takenWords(batch, timeZone)}
        {listed && whole ? ` The list is kept for ${listDays} days from when it was asked for.` : ''}
        {listed ? '' : ' The list was thrown away: what is kept tells a code only to who has it.'}
      </p>
      {onAct ? <BatchActs {...{ batch, busy, whole, onAct }} /> : null}
    </li>
  );
}

/** "The list was taken by Ines Calloway, Tue 1 Dec, 14:05, and once more by …" */
function takenWords({ taken }: CodeBatchView, timeZone: string): string {
  const [first, ...more] = taken.map(({ by, at }) => `${by}, ${shortMoment(timeIn(timeZone, at), '')}`);
  if (first === undefined) return '';
  return ` The list was taken by ${[first, ...more].join('; and again by ')}.`;
}

/** "611 used, 1,482.30 EUR in all" */
const usedWords = ({ used, worth }: CodeBatchView, currency: string): string =>
  used === 0 ? '0 used' : `${saidCount(used)} used, ${saidAmount(worth)} ${currency} in all`;

/** "good as long as the promotion", "good from 1 March to 31 March" */
function goodWords({ from, to }: CodeBatchView): string {
  if (from === null && to === null) return 'good as long as the promotion';
  const begin = from === null ? '' : ` from ${dateWords(from)}`;
  return `good${begin}${to === null ? '' : ` until ${dateWords(to)}`}`;
}
