import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { CodeBatchesView, CodeBatchView, LensView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, refusalOf, refusalWords, useDoing } from '../server/index.ts';
import type { BatchAct } from './batch-acts.tsx';
import { askedBy, type BatchDraft, FIRST_BATCH, likeBatch } from './batch-draft.ts';
import { BatchForm } from './batch-form.tsx';
import { BatchRow } from './batch-row.tsx';
import { FindCodeHere } from './find-code.tsx';
import { takeList } from './take-list.ts';

/** While codes are being made it is asked how far they are. */
const ASK_AGAIN = 700;

const isUnderWay = ({ made, wanted, allWithdrawn }: CodeBatchView): boolean => made < wanted && !allWithdrawn;

/** The batches of single-use codes of a promotion. */
export function Codes({ promotion, plans, view }: { promotion: string; plans: boolean; view: LensView }) {
  const key = ['codes', promotion];
  const path = `/api/promotions/${idInAddress(promotion)}/codes`;
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: () => ask<CodeBatchesView>(path),
    refetchInterval: ({ state }) => (state.data?.batches.some(isUnderWay) ? ASK_AGAIN : false),
  });
  const [draft, setDraft] = useState<BatchDraft | null>(null);
  const { busy, said, refusal, doing, forgetRefusal } = useDoing(key);
  const make = (made: BatchDraft) =>
    doing(async () => {
      await ask(path, { method: 'POST', body: askedBy(made) });
      setDraft(null);
      return '';
    });
  const act = (batch: CodeBatchView, what: BatchAct, to?: string | null) => {
    forgetRefusal();
    if (what === 'like') return setDraft(likeBatch(batch));
    doing(() =>
      what === 'list' || what === 'hashes' ? takeList(batch.id, what === 'hashes') : step(batch.id, what, to),
    );
  };
  return (
    <section className="mt-8" aria-label="Single-use codes">
      <h2 className="hairline border-b pb-1 text-lg">Single-use codes</h2>
      {error ? <Notice tone="trouble">{refusalOf(error).message}</Notice> : null}
      {data?.batches.length === 0 && !draft ? (
        <p className="mt-2 text-sm">There are none yet, and without a code nobody gets it.</p>
      ) : null}
      <ul className="text-sm" aria-label="Batches of codes">
        {data?.batches.map((batch) => (
          <BatchRow
            key={batch.id}
            {...{ batch, busy }}
            currency={data.currency}
            listDays={data.listDays}
            timeZone={view.store.timeZone}
            onAct={plans ? (what, to) => act(batch, what, to) : null}
          />
        ))}
      </ul>
      {plans && !draft ? (
        <p className="mt-3">
          <button type="button" className="btn btn-sm" onClick={() => setDraft(FIRST_BATCH)}>
            Make codes
          </button>
        </p>
      ) : null}
      <p role="status" className="text-sm">
        {said}
      </p>
      {refusal && !draft ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
      {draft && data ? (
        <BatchForm
          {...{ draft, refusal, busy }}
          given={data.batches.reduce((sum, { wanted, test }) => sum + (test ? 0 : wanted), 0)}
          guessesPerDay={data.guessesPerDay}
          onDraft={setDraft}
          onMake={() => make(draft)}
          onLeave={() => {
            forgetRefusal();
            setDraft(null);
          }}
        />
      ) : null}
      {data && data.batches.length > 0 ? <FindCodeHere plans={plans} now={view.now} /> : null}
    </section>
  );
}

const DONE: Readonly<Record<Exclude<BatchAct, 'list' | 'hashes' | 'like'>, (batch: number) => string>> = {
  withdraw: (batch) => `Batch ${batch} is withdrawn.`,
  'throw-list-away': (batch) => `The list of batch ${batch} is thrown away.`,
  'move-end': (batch) => `Batch ${batch} has another last day.`,
};

async function step(batch: number, what: keyof typeof DONE, to?: string | null): Promise<string> {
  const body = { step: what, ...(to === undefined ? {} : { to }) };
  await ask(`/api/codes/${batch}/step`, { method: 'POST', body });
  return DONE[what](batch);
}
