import { idInAddress } from '../../contracts/index.ts';
import type { PlanFinding } from '../../contracts/view/index.ts';
import { FINDING_WORDS } from '../../ui/words/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';

/** A finding in a list beside something else: what, what it may cost, and the way to the promotions. */
export function FindingLine({
  finding: { code, words, promotions, money },
  without,
  currency,
  query,
}: {
  finding: PlanFinding;
  /** The promotion that is open already. */
  without?: string;
  currency: string;
  query: string;
}) {
  return (
    <li className="hairline border-b py-1.5">
      <strong className="font-medium">{FINDING_WORDS[code]}</strong>
      {money === null ? '' : `, ${saidAmount(money)} ${currency} for one of each in each store`}: {words}
      {promotions
        .filter(({ id }) => id !== without)
        .map(({ id, name }) => (
          <a key={id} className="link ml-2" href={`/plan/${idInAddress(id)}${query}`}>
            Open {name}
          </a>
        ))}
    </li>
  );
}
