import { idInAddress } from '../../contracts/index.ts';
import { type FindingMend, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { mendText } from '../draft/mend.ts';

/** What would do away with a finding: each opens its promotion so changed, with all that it does, before it is saved. */
export function MendLinks({ mends, lens }: { mends: readonly FindingMend[]; lens: LensView['lens'] }) {
  return mends.map((mend) => (
    <a
      key={mend.promotion + mend.kind}
      className="link"
      href={`/plan/${idInAddress(mend.promotion)}${lensQuery(lens, { mend: mendText(mend) })}`}
    >
      {mendWords(mend)}
    </a>
  ));
}

export const mendWords = ({ kind, name, items = [] }: FindingMend): string =>
  kind === 'go-first'
    ? `Let ${name} go first`
    : `Leave ${items.length === 1 ? 'this item' : `these ${saidCount(items.length)} items`} out of ${name}`;
