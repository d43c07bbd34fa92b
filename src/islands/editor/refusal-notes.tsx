import { Notice } from '../../ui/pieces/index.ts';
import { otherFaults } from '../sentence/faults.ts';
import type { Refusal } from '../server/index.ts';
import { Conflict } from './conflict.tsx';
import type { Opened } from './desk.ts';

/** What the server refused, as far as no part of the sentence tells it. */
export function RefusalNotes({
  refusal,
  deal,
  onTakeTheirs,
  onKeepMine,
}: {
  refusal: Refusal | null;
  /** Which parts the sentence has. */
  deal: boolean;
  onTakeTheirs: () => void;
  onKeepMine: () => void;
}) {
  if (!refusal) return null;
  const theirs =
    refusal.status === 409 ? (refusal.current as Pick<Opened, 'promotion'> | undefined) : undefined;
  if (theirs) return <Conflict theirs={theirs} onTake={onTakeTheirs} onKeep={onKeepMine} />;
  const loose = otherFaults(refusal.faults, deal);
  if (refusal.faults.length > 0 && loose.length === 0) return null;
  return (
    <Notice tone="trouble" className="mt-4">
      {refusal.message} {loose.map(({ path, message }) => `${path} ${message}`).join('; ')}
    </Notice>
  );
}
