import { useState } from 'react';
import type { WorksheetDocument } from '../../core/plan/index.ts';

const MOST_STEPS = 100;

/** What was done to a worksheet, step by step, to be taken back and done after all. */
export function useSheetUndo(sheet: WorksheetDocument, onChange: (sheet: WorksheetDocument) => void) {
  const [past, setPast] = useState<readonly WorksheetDocument[]>([]);
  const [future, setFuture] = useState<readonly WorksheetDocument[]>([]);
  return {
    remember() {
      setPast([...past.slice(1 - MOST_STEPS), sheet]);
      setFuture([]);
    },
    undo() {
      const last = past.at(-1);
      if (!last) return;
      setPast(past.slice(0, -1));
      setFuture([sheet, ...future]);
      onChange(last);
    },
    redo() {
      const [next, ...rest] = future;
      if (!next) return;
      setPast([...past, sheet]);
      setFuture(rest);
      onChange(next);
    },
  };
}
