import type { OpenedPromotion } from '../../contracts/view/index.ts';
import { Differences } from './differences.tsx';

/** What waits beside what stands: where it is on its way, and what it says otherwise. */
export function WaitingBeside({ opened, plans }: { opened: OpenedPromotion; plans: boolean }) {
  const { waiting, change, promotion } = opened;
  if (!waiting) return null;
  const what = change ? 'A change of it' : 'It';
  return (
    <section aria-label="What waits" className="mt-4 border-primary border-l-4 pl-3 text-sm">
      <p>
        {waiting.state === 'submitted'
          ? `${what} waits for approval.`
          : waiting.state === 'sent-back'
            ? `${what} was sent back by ${waiting.reason}`
            : `${what} is written and not submitted yet.`}
        {change && promotion.status === 'approved'
          ? ' Until it is approved, what is approved goes on and is sent as it is.'
          : ''}
      </p>
      {change && change.differences.length > 0 ? (
        <Differences of={change.differences} heads={['As it stands', 'As it would be']} />
      ) : null}
      {change && !plans ? <p className="mt-2">It would be: {change.sentence}</p> : null}
    </section>
  );
}
