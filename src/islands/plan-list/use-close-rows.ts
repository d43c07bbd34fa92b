import { useEffect, useState } from 'react';

const KEPT_AS = 'belltag-close-rows';

/** Whether the list has a line each: kept in this browser, and read once the page is there. */
export function useCloseRows(): { readonly close: boolean; setClose(close: boolean): void } {
  const [close, setClose] = useState(false);
  useEffect(() => setClose(localStorage.getItem(KEPT_AS) === 'yes'), []);
  return {
    close,
    setClose(next) {
      localStorage.setItem(KEPT_AS, next ? 'yes' : 'no');
      setClose(next);
    },
  };
}
