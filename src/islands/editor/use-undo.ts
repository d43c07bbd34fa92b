import { useEffect, useState } from 'react';
import type { Draft } from '../draft/draft.ts';

/** What is typed in one go is one step. */
const ONE_GO = 700;
const MOST_STEPS = 100;

/** The Ctrl Z and Ctrl Shift Z of the whole sentence; within a field the browser's own stay. */
export function useUndo(draft: Draft, setDraft: (draft: Draft) => void) {
  const [past, setPast] = useState<readonly Draft[]>([]);
  const [future, setFuture] = useState<readonly Draft[]>([]);
  const [last, setLast] = useState(0);
  const undo =
    past.length === 0
      ? null
      : () => {
          setFuture([draft, ...future]);
          setDraft(past.at(-1)!);
          setPast(past.slice(0, -1));
          setLast(0);
        };
  const redo =
    future.length === 0
      ? null
      : () => {
          setPast([...past, draft]);
          setDraft(future[0]!);
          setFuture(future.slice(1));
          setLast(0);
        };
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
  });
  return {
    undo,
    redo,
    remember() {
      const now = performance.now();
      if (now - last > ONE_GO) setPast([...past.slice(-MOST_STEPS), draft]);
      setLast(now);
      setFuture([]);
    },
  };
}
