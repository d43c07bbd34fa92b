import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { PlanFinding } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, refusalOf } from '../server/index.ts';

const ACCEPTED = '/api/findings/accepted';

const which = ({ code, promotions, part }: PlanFinding) => ({
  ...{ code, part },
  promotions: promotions.map(({ id }) => id),
});

/** Says why one can live with a finding. */
export function Accept({ finding, onChanged }: { finding: PlanFinding; onChanged: () => void }) {
  const [reason, setReason] = useState('');
  const accept = useMutation({
    mutationFn: () =>
      ask(ACCEPTED, { method: 'POST', body: { ...which(finding), about: finding.about, reason } }),
    onSuccess: onChanged,
  });
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        accept.mutate();
      }}
    >
      <label className="flex grow flex-col">
        Why it is fine as it is
        <input
          className="input input-sm mt-0.5 w-full max-w-xl"
          maxLength={500}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          // biome-ignore lint/a11y/noAutofocus: it was opened to be written in
          autoFocus
        />
      </label>
      <button type="submit" className="btn btn-sm" disabled={reason.trim() === '' || accept.isPending}>
        Accept
      </button>
      {accept.error ? <Notice tone="trouble">{refusalOf(accept.error).message}</Notice> : null}
    </form>
  );
}

export function TakeBack({ finding, onChanged }: { finding: PlanFinding; onChanged: () => void }) {
  const back = useMutation({
    mutationFn: () => ask(ACCEPTED, { method: 'DELETE', body: which(finding) }),
    onSuccess: onChanged,
  });
  return (
    <>
      <button type="button" className="link" disabled={back.isPending} onClick={() => back.mutate()}>
        No longer accept it
      </button>
      {back.error ? <span role="alert">{refusalOf(back.error).message}</span> : null}
    </>
  );
}
