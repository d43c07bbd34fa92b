import type { ReactNode } from 'react';
import { Notice } from './notice.tsx';

/** A secret that is told this one time. @param children whose it is, and what is to be done with it. */
export function ShownOnce({
  text,
  onSeen,
  children,
}: {
  text: string;
  onSeen: () => void;
  children: ReactNode;
}) {
  return (
    <Notice tone="news" className="mt-3 max-w-3xl">
      <p>{children}</p>
      <p className="mt-1 font-mono break-all select-all">{text}</p>
      <button type="button" className="link mt-1 min-h-6 text-sm" onClick={onSeen}>
        I have it
      </button>
    </Notice>
  );
}
