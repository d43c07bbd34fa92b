import { type ComponentType, createElement, type ReactNode, useEffect, useState } from 'react';

/**
 * A part whose script is loaded when somebody comes near it, and no sooner: `load` says where it is, `near` begins to
 * load it. `meanwhile` stands there until then; where the script cannot be had it says so.
 */
export function whenUsed<P extends object>(load: () => Promise<ComponentType<P>>) {
  let part: ComponentType<P> | null = null;
  let under: Promise<void> | null = null;

  function near(): Promise<void> {
    under ??= load().then(
      (loaded) => {
        part = loaded;
      },
      (error) => {
        under = null;
        throw error;
      },
    );
    return under;
  }

  function WhenUsed({ meanwhile, ...props }: P & { meanwhile?: ReactNode }): ReactNode {
    const [state, setState] = useState<'loading' | 'there' | 'failed'>(part ? 'there' : 'loading');
    useEffect(() => {
      if (state === 'loading')
        near().then(
          () => setState('there'),
          () => setState('failed'),
        );
    }, [state]);
    if (part) return createElement(part, props as unknown as P);
    if (meanwhile && state !== 'failed') return meanwhile;
    return (
      <span role="status" className="quiet text-sm">
        {state === 'failed' ? 'This could not be read. Close it and try again.' : 'Reading …'}
      </span>
    );
  }

  return Object.assign(WhenUsed, { near });
}
