import type { RolloutState } from '../../contracts/view/index.ts';
import { numberWords } from '../../core/price-file/index.ts';
import { Bell } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

/** How many terminals of the rollout hold it already. The bell rings once: when all of them do. */
export function RolloutProgress({ rollout }: { rollout: RolloutState }) {
  const { number, terminals, holding, waiting } = rollout;
  const all = holding === terminals;
  const more = terminals - holding - waiting.length;
  return (
    <section
      className="mt-5 flex items-center gap-5 border-primary border-y py-4"
      aria-label="Rollout under way"
    >
      <Bell size={56} ringing={all} />
      <div className="min-w-0 flex-1">
        <p className="font-serif text-2xl" role="status">
          {all
            ? `All ${saidCount(terminals)} terminals hold price file ${numberWords(number)}.`
            : `${saidCount(holding)} of ${saidCount(terminals)} terminals hold price file ${numberWords(number)}.`}
        </p>
        <progress
          className="progress progress-primary mt-2 w-full max-w-xl"
          value={holding}
          max={terminals}
          aria-label="Terminals that hold it"
        />
        {all ? (
          <p className="quiet text-sm">Each switches by itself, at the hour of its own store.</p>
        ) : (
          <p className="quiet truncate text-sm">
            Waiting for {waiting.map(({ terminal, storeName }) => `${terminal} (${storeName})`).join(', ')}
            {more > 0 ? ` and ${saidCount(more)} more` : ''}. One that is off catches up by itself.
          </p>
        )}
      </div>
    </section>
  );
}
