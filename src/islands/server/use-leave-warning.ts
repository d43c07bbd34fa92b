import { useEffect } from 'react';

/** Asks before a page is left on which something would be lost. */
export function useLeaveWarning(losing: boolean): void {
  useEffect(() => {
    if (!losing) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [losing]);
}
