import type { ReactNode } from 'react';

const TONES = {
  /** Something went wrong, or must not go on unseen: it is read out at once. */
  trouble: { role: 'alert', border: 'border-error' },
  /** Something that has to be known where one stands. */
  news: { role: 'status', border: 'border-primary' },
  /** Something that deserves a second look. */
  care: { role: undefined, border: 'border-warning' },
} as const;

/** What the page has to say for itself, with its tone told by a bar beside it and to screen readers. */
export function Notice({
  tone,
  still = false,
  className = 'mt-3 text-sm',
  children,
}: {
  tone: keyof typeof TONES;
  /** It changes with every stroke: nobody is told of it while they write. */
  still?: boolean;
  /** Where it stands, and how large. */
  className?: string;
  children: ReactNode;
}) {
  const { role, border } = TONES[tone];
  return (
    <div role={still ? undefined : role} className={`${border} border-l-4 pl-3 ${className}`}>
      {children}
    </div>
  );
}
