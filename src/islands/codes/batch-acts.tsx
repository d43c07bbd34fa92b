import { useState } from 'react';
import type { CodeBatchView } from '../../contracts/view/index.ts';

export type BatchAct = 'list' | 'hashes' | 'throw-list-away' | 'withdraw' | 'move-end' | 'like';

type Asking = Extract<BatchAct, 'throw-list-away' | 'withdraw' | 'move-end'>;

const CONSEQUENCES = {
  withdraw: 'Nobody will get anything for any of them, and there is no way back.',
  'throw-list-away': 'The codes cannot be shown or taken any more; those that are out stay good.',
  'move-end': 'The last day on which they are good; nothing means as long as the promotion.',
} as const satisfies Record<Asking, string>;
const DEEDS = {
  withdraw: 'Withdraw them',
  'throw-list-away': 'Throw it away',
  'move-end': 'Let it be that day',
} as const satisfies Record<Asking, string>;

/** What can be done with a batch; what cannot be taken back is asked about once more. */
export function BatchActs({
  batch: { id, to, listed, allWithdrawn },
  busy,
  whole,
  onAct,
}: {
  batch: CodeBatchView;
  busy: boolean;
  whole: boolean;
  /** @param to the day to which its end is moved; null: as long as the promotion. */
  onAct: (act: BatchAct, to?: string | null) => void;
}) {
  const [asking, setAsking] = useState<Asking | null>(null);
  const [day, setDay] = useState(to ?? '');
  const button = (act: BatchAct, words: string, press = () => onAct(act)) => (
    <button
      type="button"
      className="link"
      aria-label={`${words}, batch ${id}`}
      disabled={busy}
      onClick={press}
    >
      {words}
    </button>
  );
  if (asking)
    return (
      <p className="flex flex-wrap items-center gap-x-4 leading-7">
        {CONSEQUENCES[asking]}
        {asking === 'move-end' ? (
          <input
            type="date"
            className="input input-sm w-40"
            aria-label={`Last day of batch ${id}`}
            value={day}
            onChange={({ target }) => setDay(target.value)}
          />
        ) : null}
        {button(asking, DEEDS[asking], () => {
          setAsking(null);
          if (asking === 'move-end') onAct(asking, day || null);
          else onAct(asking);
        })}
        <button type="button" className="link" onClick={() => setAsking(null)}>
          Leave it
        </button>
      </p>
    );
  return (
    <p className="flex flex-wrap gap-x-4 leading-7">
      {whole && listed ? button('list', 'Take the list as CSV') : null}
      {whole && listed ? button('hashes', 'As hashes, for belltag') : null}
      {whole && listed
        ? button('throw-list-away', 'Throw the list away', () => setAsking('throw-list-away'))
        : null}
      {button('like', 'More like these')}
      {allWithdrawn ? null : button('move-end', 'Another last day', () => setAsking('move-end'))}
      {allWithdrawn ? null : button('withdraw', 'Withdraw all', () => setAsking('withdraw'))}
    </p>
  );
}
