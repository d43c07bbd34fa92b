import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { saidCount } from '../../ui/writing/index.ts';
import { findingsQuery } from '../findings/findings-query.ts';

/** Sends what is chosen; while the plan is still being looked through for what may be wrong, only after a word on that. */
export function SendButton({
  stores,
  terminals,
  sending,
  comparing,
  onSend,
}: {
  /** How many are chosen, and how many terminals they have. */
  stores: number;
  terminals: number;
  sending: boolean;
  /** Whether another review is on its way: this one cannot be sent. */
  comparing: boolean;
  onSend: () => void;
}) {
  const { data: found, isError } = useQuery(findingsQuery());
  const lookedThrough = found !== undefined;
  const [asking, setAsking] = useState(false);
  if (sending)
    return (
      <p className="ml-auto text-sm" role="status">
        Making and signing the price files of {storeWords(stores)} … This goes on if you leave the page.
      </p>
    );
  if (asking && !lookedThrough)
    return (
      <div className="ml-auto flex flex-wrap items-center gap-3 text-sm">
        <p role="status">
          {isError
            ? 'It could not be looked through for what may be wrong.'
            : 'It is still being looked through for what may be wrong.'}
        </p>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => setAsking(false)}>
          Wait for it
        </button>
        <button type="button" className="btn btn-primary btn-sm" disabled={comparing} onClick={onSend}>
          Send without waiting
        </button>
      </div>
    );
  return (
    <button
      type="button"
      className="btn btn-primary btn-sm ml-auto"
      disabled={stores === 0 || comparing}
      onClick={() => (lookedThrough ? onSend() : setAsking(true))}
    >
      {comparing
        ? 'Comparing …'
        : `Send to ${storeWords(stores)}, ${saidCount(terminals)} ${terminals === 1 ? 'terminal' : 'terminals'}`}
    </button>
  );
}

const storeWords = (stores: number): string => (stores === 1 ? '1 store' : `${saidCount(stores)} stores`);
