import { useEffect } from 'react';

/** The Ctrl Z and Ctrl Shift Z of the whole sentence; within a field the browser's own stay. Null: nothing to do. */
export function useUndoKeys(undo: (() => void) | null, redo: (() => void) | null): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const elsewhere = (event.target as HTMLElement).closest?.('input, textarea, select, [role="grid"]');
      if (elsewhere || !(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      const work = key === 'y' || (key === 'z' && event.shiftKey) ? redo : key === 'z' ? undo : null;
      if (!work) return;
      event.preventDefault();
      work();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [undo, redo]);
}
