import type { TerminalsView } from '../../contracts/view/index.ts';
import { numberWords } from '../../core/price-file/index.ts';
import { Bell } from '../../ui/pieces/index.ts';
import type { Sent } from './send.tsx';

/** How many terminals of the rollout hold it already. The bell rings once: when all of them do. */
export function RolloutProgress({ sent, view }: { sent: Sent; view: TerminalsView }) {
  const concerned = view.terminals.filter(({ store }) => sent.stores.includes(store));
  const holding = concerned.filter(({ holds }) => holds !== null && holds >= sent.rollout);
  const waiting = concerned.filter((one) => !holding.includes(one));
  const all = waiting.length === 0;
  return (
    <section
      className="mt-5 flex items-center gap-5 border-primary border-y py-4"
      aria-label="Rollout under way"
    >
      <Bell size={56} ringing={all} />
      <div className="min-w-0 flex-1">
        <p className="font-serif text-2xl" role="status">
          {all
            ? `All ${concerned.length} terminals hold price file ${numberWords(sent.rollout)}.`
            : `${holding.length} of ${concerned.length} terminals hold price file ${numberWords(sent.rollout)}.`}
        </p>
        <progress
          className="progress progress-primary mt-2 w-full max-w-xl"
          value={holding.length}
          max={concerned.length}
          aria-label="Terminals that hold it"
        />
        {all ? (
          <p className="quiet text-sm">Each switches by itself, at the hour of its own store.</p>
        ) : (
          <p className="quiet truncate text-sm">
            Waiting for{' '}
            {waiting
              .slice(0, 5)
              .map(({ terminal, storeName }) => `${terminal} (${storeName})`)
              .join(', ')}
            {waiting.length > 5 ? ` and ${waiting.length - 5} more` : ''}. One that is off catches up by
            itself.
          </p>
        )}
      </div>
    </section>
  );
}
