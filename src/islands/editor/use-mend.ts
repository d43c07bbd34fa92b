import { useEffect, useRef } from 'react';
import { mended, mendIn } from '../draft/mend.ts';
import type { DeskActions } from './use-desk.ts';

/** Writes a mend into the draft once, as if its person had: it can be undone, and nothing is saved by it. */
export function useMend(text: string | null, { desk, onChange }: DeskActions): void {
  const done = useRef(false);
  useEffect(() => {
    const mend = mendIn(text);
    if (!mend || done.current) return;
    done.current = true;
    onChange(mended(desk.draft, mend));
    // Opened again, the page shows what was written since.
    const address = new URL(location.href);
    address.searchParams.delete('mend');
    history.replaceState(null, '', address);
  });
}
