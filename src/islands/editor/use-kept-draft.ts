import { useEffect, useRef, useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { onLeaving } from '../../ui/leaving.ts';
import type { Draft } from '../draft/draft.ts';
import { ask } from '../server/index.ts';

/** Where the keeping of what is being written stands. */
export type Keeping = 'nothing' | 'keeping' | 'kept' | 'not-kept';

const RESTING = 800;
const pathOf = (key: string): string => `/api/drafts/${idInAddress(key)}`;

/**
 * Keeps what is being written on the server whenever it rests, so that it survives a closed tab; forgets it once it is
 * saved.
 */
export function useKeptDraft(
  key: string,
  draft: Draft,
  {
    dirty,
    revision,
    there,
    onFirst,
  }: {
    dirty: boolean;
    revision: number | null;
    /** Whether something is kept already when the page opens. */
    there: boolean;
    onFirst: () => void;
  },
): Keeping {
  const [keeping, setKeeping] = useState<Keeping>('nothing');
  const known = useRef(there);
  const first = useRef(onFirst);
  first.current = onFirst;
  useEffect(() => {
    if (!dirty) {
      if (known.current) ask(pathOf(key), { method: 'DELETE', body: {} }).catch(() => {});
      known.current = false;
      setKeeping('nothing');
      return;
    }
    setKeeping('keeping');
    let kept = false;
    const keep = async () => {
      kept = true;
      clearTimeout(timer);
      try {
        await ask(pathOf(key), { method: 'PUT', body: { draft, revision } });
        if (!known.current) first.current();
        known.current = true;
        setKeeping('kept');
      } catch {
        setKeeping('not-kept');
      }
    };
    const timer = setTimeout(keep, RESTING);
    const away = onLeaving(() => (kept ? null : keep()));
    return () => {
      clearTimeout(timer);
      away();
    };
  }, [key, draft, dirty, revision]);
  return keeping;
}
