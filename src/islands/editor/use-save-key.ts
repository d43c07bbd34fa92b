import { useEffect } from 'react';

/** Ctrl S saves, from anywhere on the page. */
export function useSaveKey(save: (() => void) | null): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 's') return;
      event.preventDefault();
      save?.();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  });
}
