import type { LensView, OpenedPromotion } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { Differences } from './differences.tsx';
import { WaitingPricesPart } from './waiting-prices.tsx';

const FIRST_OF_TWO = {
  you: ' You approved it; it takes so much off that somebody else has to as well.',
  another: ' It was approved by one, and takes so much off that it needs a second.',
} as const;

/** What waits beside what stands: where it is on its way, and what it says otherwise. */
export function WaitingBeside({
  opened,
  plans,
  view,
}: {
  opened: OpenedPromotion;
  plans: boolean;
  view: LensView;
}) {
  const { waiting, change, promotion, heldBack } = opened;
  if (!waiting && !heldBack) return null;
  if (!waiting) return <HeldBack of={heldBack!} />;
  const what = change ? 'A change of it' : 'It';
  return (
    <Notice tone="news" still className="mt-4 text-sm">
      <section aria-label="What waits">
        <p>
          {waiting.state === 'submitted'
            ? `${what} waits for approval.`
            : waiting.state === 'sent-back'
              ? `${what} was sent back by ${waiting.reason}`
              : `${what} is written and not submitted yet.`}
          {waiting.first ? FIRST_OF_TWO[waiting.first] : ''}
          {change && promotion.status === 'approved'
            ? ' Until it is approved, what is approved goes on and is sent as it is.'
            : ''}
        </p>
        {change && change.differences.length > 0 ? (
          <Differences of={change.differences} heads={['As it stands', 'As it would be']} />
        ) : null}
        {change ? <WaitingPricesPart id={promotion.id} revision={opened.revision} view={view} /> : null}
        {change && !plans ? <p className="mt-2">It would be: {change.sentence}</p> : null}
        {heldBack ? <HeldBack of={heldBack} /> : null}
      </section>
    </Notice>
  );
}

/** That sending leaves it as the terminals have it, whatever becomes of it here. */
function HeldBack({ of }: { of: NonNullable<OpenedPromotion['heldBack']> }) {
  return (
    <p className="mt-3 text-sm">
      <strong className="font-medium">Held back from the tills</strong> by {of.by}: they keep what they have
      of it until it is let go under{' '}
      <a className="link" href="/send">
        Send
      </a>
      .
    </p>
  );
}
