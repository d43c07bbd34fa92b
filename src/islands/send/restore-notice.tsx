import type { RestoreNoticed } from '../../contracts/view/index.ts';
import { numberWords } from '../../core/price-file/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { shortMoment, timeIn } from '../../ui/writing/index.ts';

/** A backup was played back: what that did to the terminals, and what a person has to look after. */
export function RestoreNotice({ restore, timeZone }: { restore: RestoreNoticed; timeZone: string }) {
  const at = shortMoment(timeIn(timeZone, restore.at), '');
  return (
    <Notice tone="trouble" className="mt-4">
      The database was played back from a backup, which was noticed on {at}.{' '}
      {restore.lost === null
        ? ''
        : `Terminals held price files up to no. ${numberWords(restore.lost)} that are not known here any more. `}
      Every store was sent its last known file anew. What was planned or sent after the backup was made has to
      be planned and sent again.
    </Notice>
  );
}
