import { useEffect, useRef } from 'react';
import type { WorksheetDocument } from '../../core/plan/index.ts';
import type { Scope } from './scope-choice.tsx';

interface Written {
  readonly since: string;
  readonly scope: Scope;
  readonly fresh: boolean;
  readonly carry: boolean;
  readonly sheet: WorksheetDocument;
}

const KEY = 'belltag-reprice';

/** Keeps what is written for as long as the tab is open: another look through the lens is a new page. */
export function useKeptForNow(written: Written, onBack: (kept: Written) => void): void {
  const back = useRef(onBack);
  const begun = useRef(false);
  const text = JSON.stringify(written);
  useEffect(() => {
    const kept = sessionStorage.getItem(KEY);
    if (kept) back.current(JSON.parse(kept) as Written);
    begun.current = true;
  }, []);
  useEffect(() => {
    const { sheet } = JSON.parse(text) as Written;
    // The first page shows nothing yet of what may be kept.
    if (!begun.current) return;
    if (sheet.passes.length === 0 && !sheet.own && !sheet.ownIn) sessionStorage.removeItem(KEY);
    else sessionStorage.setItem(KEY, text);
  }, [text]);
}
