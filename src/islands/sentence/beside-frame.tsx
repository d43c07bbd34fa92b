import type { ReactNode } from 'react';

/** What stands beside the sentence: what the draft does, what it waits for, or that it cannot be worked out. */
export function BesideFrame({
  asking,
  waiting,
  broken,
  children,
}: {
  asking: boolean;
  /** What is still wanted, in words; null: nothing. */
  waiting: string | null;
  /** The draft cannot be worked out as it stands; what is shown is older. */
  broken: boolean;
  children: ReactNode;
}) {
  return (
    <section
      aria-label="What it does"
      aria-busy={asking}
      className="min-w-0 border-base-300 xl:border-l xl:pl-7"
    >
      <h2 className="text-xl">
        What it does{' '}
        <span className="quiet font-normal font-sans text-sm" role="status">
          {asking ? 'working it out …' : ''}
        </span>
      </h2>
      {waiting === null ? null : <p className="quiet mt-3">{waiting}</p>}
      {broken ? (
        <p className="mt-3">It cannot be worked out as it stands; see what is said in red beside.</p>
      ) : null}
      {waiting === null ? <div className={broken ? 'opacity-60' : ''}>{children}</div> : null}
    </section>
  );
}
