import { useEffect, useRef } from 'react';
import { useSame } from '../server/index.ts';
import type { WrittenPrices } from './desk.ts';

const KEY = 'belltag-reprice';

/** Keeps what is written for as long as the tab is open: another look through the lens is a new page. */
export function useKeptForNow(written: WrittenPrices, onBack: (kept: WrittenPrices) => void): void {
  const back = useRef(onBack);
  const begun = useRef(false);
  const same = useSame(written);
  useEffect(() => {
    const kept = sessionStorage.getItem(KEY);
    if (kept) back.current(JSON.parse(kept) as WrittenPrices);
    begun.current = true;
  }, []);
  useEffect(() => {
    const { sheet } = same;
    // The first page shows nothing yet of what may be kept.
    if (!begun.current) return;
    if (sheet.passes.length === 0 && !sheet.own && !sheet.ownIn) sessionStorage.removeItem(KEY);
    else sessionStorage.setItem(KEY, JSON.stringify(same));
  }, [same]);
}
