import { type ComponentType, createElement, type ReactNode, useEffect, useState } from 'react';

/** A part of a page whose script is loaded when somebody comes near it, and no sooner. */
export interface LaterPart<P> {
  /** Loads it; once, until that fails. */
  load(): Promise<void>;
  /** Somebody came near: it begins to load. That it failed is told where it is wanted. */
  near(): void;
  /** Null: not loaded yet. */
  there(): ComponentType<P> | null;
}

/** @param load where its script is. */
export function laterPart<P>(load: () => Promise<ComponentType<P>>): LaterPart<P> {
  let part: ComponentType<P> | null = null;
  let under: Promise<void> | null = null;
  function loaded(): Promise<void> {
    under ??= load().then(
      (found) => {
        part = found;
      },
      (error) => {
        under = null;
        throw error;
      },
    );
    return under;
  }
  return { there: () => part, load: loaded, near: () => void loaded().catch(() => {}) };
}

/** Such a part, loaded now if it was not; `meanwhile` stands there until then. Where it cannot be had it says so. */
export function WhenUsed<P extends object>({
  part,
  meanwhile,
  given,
}: {
  part: LaterPart<P>;
  meanwhile?: ReactNode;
  given: P;
}): ReactNode {
  const [failed, setFailed] = useState(false);
  const [isThere, setThere] = useState(part.there() !== null);
  useEffect(() => {
    if (!isThere && !failed)
      part.load().then(
        () => setThere(true),
        () => setFailed(true),
      );
  }, [part, isThere, failed]);
  const Part = part.there();
  if (Part) return createElement(Part, given);
  if (meanwhile && !failed) return meanwhile;
  return (
    <span role="status" className="quiet text-sm">
      {failed ? (
        <>
          This could not be read.{' '}
          <button type="button" className="link" onClick={() => setFailed(false)}>
            Try again
          </button>
        </>
      ) : (
        'Reading …'
      )}
    </span>
  );
}
