import { useState } from 'react';

/** An approver says what should be otherwise. */
export function SendBack({ busy, onSend }: { busy: boolean; onSend: (reason: string) => void }) {
  const [reason, setReason] = useState('');
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        onSend(reason);
      }}
    >
      <label className="min-w-64 flex-1">
        What should be otherwise
        <input
          className="input input-sm mt-0.5 w-full"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-sm" disabled={busy || reason.trim() === ''}>
        Send it back
      </button>
    </form>
  );
}
