import { idInAddress } from '../../contracts/index.ts';
import { type FindingMend, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { saidCount, shortMoment } from '../../ui/writing/index.ts';
import { mendText } from '../draft/mend.ts';

/** What would do away with a finding: each opens its promotion so changed, with all that it does, before it is saved. */
export function MendLinks({
  mends,
  view: { lens, now },
}: {
  mends: readonly FindingMend[];
  view: Pick<LensView, 'lens' | 'now'>;
}) {
  return mends.map((mend) => (
    <a
      key={`${mend.promotion} ${mend.kind} ${mend.at}`}
      className="link"
      href={`/plan/${idInAddress(mend.promotion)}${lensQuery(lens, { mend: mendText(mend) })}`}
    >
      {mendWords(mend, now)}
    </a>
  ));
}

export function mendWords({ kind, name, items = [], at = '' }: FindingMend, near: string): string {
  switch (kind) {
    case 'go-first':
      return `Let ${name} go first`;
    case 'leave-out':
      return `Leave ${items.length === 1 ? 'this item' : `these ${saidCount(items.length)} items`} out of ${name}`;
    case 'end':
      return `End ${name} ${shortMoment(at, near)}`;
    case 'begin':
      return `Begin ${name} ${shortMoment(at, near)}`;
    case 'once':
      return `Give ${name} once a basket`;
  }
}
