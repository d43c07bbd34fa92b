import type { ShutView } from '../../contracts/view/index.ts';
import type { WhenDocument } from '../../core/plan/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

/** What is odd about when a draft counts: it is over already, or stores are shut then. */
export function WhenWarnings({
  when,
  now,
  shut,
}: {
  when: WhenDocument;
  now: string;
  shut: readonly ShutView[];
}) {
  const past = when.to !== undefined && when.to <= now.slice(0, 16);
  if (!past && shut.length === 0) return null;
  return (
    <Notice tone="news" still>
      <ul aria-label="About when it counts">
        {past ? <li>All of its time is past: it would change no price any more.</li> : null}
        {shut.map(({ what, stores, example }) => (
          <li key={what}>
            {what === 'end' ? 'It ends while ' : 'At none of its hours '}
            {stores === 1 ? example : `${saidCount(stores)} stores, such as ${example},`}{' '}
            {what === 'end'
              ? `${stores === 1 ? 'is' : 'are'} shut.`
              : `${stores === 1 ? 'is' : 'are'} open, in its first weeks.`}
          </li>
        ))}
      </ul>
    </Notice>
  );
}
