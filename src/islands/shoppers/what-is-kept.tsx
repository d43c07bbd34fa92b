import { useState } from 'react';
import { ask, type Doing, saveFile } from '../server/index.ts';

/** What is kept of somebody: for them to have, or to be forgotten. @param path of their address. */
export function WhatIsKept({
  id,
  path,
  work: { busy, doing },
  onWiped,
}: {
  id: string;
  path: string;
  work: Doing;
  onWiped: () => void;
}) {
  const [asking, setAsking] = useState(false);
  const takeOut = () =>
    doing(async () => {
      const kept = await ask<object>(`${path}/file`);
      saveFile(new Blob([JSON.stringify(kept, null, 2)], { type: 'application/json' }), `shopper-${id}.json`);
      return 'All that is kept is in the file.';
    });
  const wipe = () =>
    doing(async () => {
      await ask(path, { method: 'DELETE', body: {} });
      onWiped();
      return '';
    });
  return (
    <section aria-label="What is kept" className="text-sm">
      <h2 className="text-xl">What is kept</h2>
      <p className="mt-1">
        Name, e-mail, kinds, the last digits of cards, and which receipts were closed for them: nothing of
        what was on them.
      </p>
      {asking ? (
        <p className="mt-1 flex flex-wrap gap-x-4 leading-7">
          Name, address, cards, receipts and letters go for good. The number {id} may stay in the plan, and
          says nothing of anybody then.
          <button type="button" className="link text-error" disabled={busy} onClick={wipe}>
            Forget them
          </button>
          <button type="button" className="link" onClick={() => setAsking(false)}>
            Leave it
          </button>
        </p>
      ) : (
        <p className="mt-1 flex flex-wrap gap-x-4 leading-7">
          <button type="button" className="link" disabled={busy} onClick={takeOut}>
            Take it out as a file
          </button>
          <button type="button" className="link" disabled={busy} onClick={() => setAsking(true)}>
            Forget this person
          </button>
        </p>
      )}
    </section>
  );
}
