import { useState } from 'react';
import { FaultField, ShownOnce } from '../../ui/pieces/index.ts';
import type { Doing } from '../server/index.ts';
import { ask } from '../server/index.ts';

/** The cards of somebody: another one, or none that counts any more. @param path of their address. */
export function Cards({
  cards,
  path,
  work: { busy, refusal, doing },
}: {
  cards: readonly string[];
  path: string;
  work: Doing;
}) {
  const [held, setHeld] = useState('');
  const [drawn, setDrawn] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const give = (card: string | null) =>
    doing(async () => {
      const { card: shown } = await ask<{ card: string | null }>(`${path}/cards`, {
        method: 'POST',
        body: { card },
      });
      setDrawn(shown);
      setHeld('');
      return shown === null ? 'The card is theirs.' : '';
    });
  const take = () =>
    doing(async () => {
      await ask(`${path}/cards`, { method: 'DELETE', body: {} });
      setAsking(false);
      return 'Their cards count no more.';
    });
  return (
    <section aria-label="Cards" className="text-sm">
      <h2 className="text-xl">Cards</h2>
      <p className="mt-1">
        {cards.length === 0 ? 'None.' : cards.map((digits) => `…${digits}`).join(', ')}
        {cards.length > 0 && !asking ? (
          <button type="button" className="link ml-4 min-h-6" disabled={busy} onClick={() => setAsking(true)}>
            They are lost
          </button>
        ) : null}
      </p>
      {asking ? (
        <p className="flex flex-wrap gap-x-4 leading-7">
          Whoever finds them is a guest then.
          <button type="button" className="link" disabled={busy} onClick={take}>
            Let them count no more
          </button>
          <button type="button" className="link" onClick={() => setAsking(false)}>
            Leave it
          </button>
        </p>
      ) : null}
      {drawn === null ? null : (
        <ShownOnce text={drawn} onSeen={() => setDrawn(null)}>
          The number of the new card is shown this once
        </ShownOnce>
      )}
      <form
        className="mt-1 flex flex-wrap items-end gap-2"
        aria-label="Another card"
        onSubmit={(event) => {
          event.preventDefault();
          give(held.trim() || null);
        }}
      >
        <FaultField
          label="Another card (nothing: one is drawn)"
          inputMode="text"
          value={held}
          fault={refusal?.faults.find(({ path: at }) => at === '/card')?.message ?? null}
          onChange={setHeld}
        />
        <button type="submit" className="btn btn-sm" disabled={busy}>
          Give it to them
        </button>
      </form>
    </section>
  );
}
