import { Notice } from '../../ui/pieces/index.ts';
import { otherFaults } from '../sentence/faults.ts';
import type { Refusal } from '../server/index.ts';

/** What the server refused, as far as no part of the sentence tells it. */
export function RefusalNotes({
  refusal,
  deal,
}: {
  refusal: Refusal | null;
  /** Which parts the sentence has. */
  deal: boolean;
}) {
  if (!refusal) return null;
  const loose = otherFaults(refusal.faults, deal);
  if (refusal.faults.length > 0 && loose.length === 0) return null;
  return (
    <Notice tone="trouble" className="mt-4">
      {refusal.message} {loose.map(({ path, message }) => `${path} ${message}`).join('; ')}
    </Notice>
  );
}
