import { brokenRuleWords, type HouseView } from '../../contracts/view/index.ts';
import type { WhenDocument } from '../../core/plan/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount, saidPercent } from '../../ui/writing/index.ts';

/** What is odd about a draft: it is over already, stores are shut then, or the house has it otherwise. */
export function WhenWarnings({
  when,
  now,
  house,
}: {
  when: WhenDocument;
  now: string;
  house: HouseView | null;
}) {
  const { shut, broken, two, foreign } = house ?? { shut: [], broken: [], two: null, foreign: null };
  const past = when.to !== undefined && when.to <= now.slice(0, 16);
  if (!past && shut.length === 0 && broken.length === 0 && two === null && foreign === null) return null;
  return (
    <Notice tone="news" still>
      <ul aria-label="About this draft">
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
        {broken.map((one) => (
          <li key={one.rule}>
            It can be kept as a draft and not be approved: {brokenRuleWords(one).what}; wanted:{' '}
            {brokenRuleWords(one).wanted}.
          </li>
        ))}
        {foreign === null ? null : <li>You could not save it: {foreign}.</li>}
        {two === null ? null : <li>It takes more than {saidPercent(two)} off, and so two approvals.</li>}
      </ul>
    </Notice>
  );
}
