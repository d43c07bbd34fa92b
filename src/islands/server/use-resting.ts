import { useEffect, useState } from 'react';

/** A value once it has not changed for a moment, so that the server is not asked at every stroke. */
export function useResting<T>(value: T, milliseconds: number): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return rested;
}
