import { dequal } from 'dequal/lite';
import { useRef } from 'react';

/** A value that stays the very same object as long as it says the same, so that what is made of it need not be made anew. */
export function useSame<T>(value: T): T {
  const kept = useRef(value);
  if (kept.current !== value && !dequal(kept.current, value)) kept.current = value;
  return kept.current;
}
