import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { TerminalsRequest } from '../../contracts/index.ts';
import { type LensView, lensQuery, type SendReview } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { ask, type Refusal, readAnew, refusalOf, useResting, WithServer } from '../server/index.ts';
import { PriceFiles } from './price-files.tsx';
import { RestoreNotice } from './restore-notice.tsx';
import { Review } from './review.tsx';
import { RolloutProgress } from './rollout-progress.tsx';
import { ByItself } from './sending-hour.tsx';
import { Terminals } from './terminals.tsx';
import { useTerminals } from './use-terminals.ts';

export interface SendProps {
  readonly view: LensView;
  readonly sends: boolean;
  /** Whether the reader may change the keys. */
  readonly rules: boolean;
}

export function Send(props: SendProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

/** Milliseconds after which nobody types any more. */
const TYPED = 200;

function Desk({ view, sends, rules }: SendProps) {
  const client = useQueryClient();
  /** What was sent from this page, whose terminals are being waited for. */
  const [sent, setSent] = useState<number | null>(null);
  const [asked, setAsked] = useState<TerminalsRequest>({});
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [sending, setSending] = useState(false);
  const [holding, setHolding] = useState(false);
  const review = useQuery({ queryKey: ['review'], queryFn: () => ask<SendReview>('/api/send/review') });
  const find = useResting(asked.find, TYPED);
  const terminals = useTerminals({ ...asked, find, ...(sent === null ? {} : { rollout: String(sent) }) });

  async function send(stores: readonly string[]): Promise<void> {
    if (!review.data) return;
    setSending(true);
    setRefusal(null);
    try {
      const held = review.data.held.map(({ promotion }) => promotion);
      const body = { planVersion: review.data.planVersion, stores, held };
      const { rollout } = await ask<{ rollout: number | null }>('/api/send', { method: 'POST', body });
      if (rollout !== null) {
        setSent(rollout);
        // What has gone out must not stand there as if it had not.
        void client.resetQueries({ queryKey: ['review'] });
      }
    } catch (error) {
      setRefusal(refusalOf(error));
    }
    setSending(false);
    await readAnew(client);
  }

  async function hold(promotion: string, held: boolean): Promise<void> {
    setRefusal(null);
    setHolding(true);
    try {
      await ask('/api/send/held', { method: 'PUT', body: { promotion, held } });
    } catch (error) {
      setRefusal(refusalOf(error));
    }
    await readAnew(client, { queryKey: ['review'] });
    setHolding(false);
  }

  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-3xl">Send</h1>
        <p className="quiet">What goes out to the tills, and what each of them holds</p>
        <a className="link ml-auto" href={`/send/tags${lensQuery(view.lens)}`}>
          Shelf tags
        </a>
        {terminals.data ? (
          <a className="link" href="#terminals">
            {saidCount(terminals.data.counts.upToDate)} of {saidCount(terminals.data.counts.all)} terminals up
            to date
          </a>
        ) : null}
      </div>
      {terminals.data?.restore ? (
        <RestoreNotice restore={terminals.data.restore} timeZone={view.store.timeZone} />
      ) : null}
      <ByItself rules={rules} query={lensQuery(view.lens)} timeZone={view.store.timeZone} />
      {terminals.data?.rollout ? <RolloutProgress rollout={terminals.data.rollout} /> : null}
      {refusal ? (
        <Notice tone="trouble" className="mt-4">
          {refusal.message}
        </Notice>
      ) : null}
      <section className="mt-6">
        {review.error ? (
          <Notice tone="trouble" className="">
            {refusalOf(review.error).message}{' '}
            <button type="button" className="link" onClick={() => review.refetch()}>
              Try again
            </button>
          </Notice>
        ) : null}
        {review.isPending ? (
          <p className="quiet" role="status">
            Comparing every store with what it was sent …
          </p>
        ) : null}
        {review.data ? (
          <Review
            key={`${review.data.planVersion} ${review.data.stores.length} ${review.data.held.length}`}
            review={review.data}
            lens={view}
            sends={sends}
            sending={sending}
            comparing={review.isFetching || holding}
            onSend={send}
            onHold={hold}
          />
        ) : null}
      </section>
      <Terminals
        view={terminals.data ?? null}
        failed={terminals.isError}
        asked={asked}
        onAsk={setAsked}
        now={view.now}
        query={lensQuery(view.lens)}
      />
      <PriceFiles view={view} sends={sends} rules={rules} />
    </>
  );
}
