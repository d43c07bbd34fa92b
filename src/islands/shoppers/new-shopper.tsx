import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { FaultField, ShownOnce } from '../../ui/pieces/index.ts';
import { ask, useDoing } from '../server/index.ts';
import { DetailsForm, type ShopperDraft, saidOf } from './details-form.tsx';

const NOBODY: ShopperDraft = { name: '', email: '', groups: [] };

/** Makes somebody known. A card that is drawn for them is shown this once. */
export function NewShopper({
  groups,
  query,
}: {
  groups: readonly { readonly id: string; readonly name: string }[];
  query: string;
}) {
  const [draft, setDraft] = useState<ShopperDraft | null>(null);
  const [card, setCard] = useState('');
  const [made, setMade] = useState<{ id: string; name: string; card: string | null } | null>(null);
  const { busy, refusal, doing, forgetRefusal } = useDoing(['shoppers']);
  const keep = (kept: ShopperDraft) =>
    doing(async () => {
      const body = { ...saidOf(kept), card: card.trim() || null };
      const { id, card: drawn } = await ask<{ id: string; card: string | null }>('/api/shoppers', {
        method: 'POST',
        body,
      });
      setMade({ id, name: kept.name.trim() || 'Somebody by card', card: drawn });
      setDraft(null);
      setCard('');
      return '';
    });
  const link = made ? (
    <a className="link" href={`/stockroom/shopper/${idInAddress(made.id)}${query}`}>
      {made.name}
    </a>
  ) : null;
  return (
    <div className="mt-3">
      {draft ? null : (
        <button type="button" className="btn btn-sm" onClick={() => setDraft(NOBODY)}>
          Somebody new
        </button>
      )}
      {made?.card ? (
        <ShownOnce text={made.card} onSeen={() => setMade({ ...made, card: null })}>
          {link} has the number {made.id}. The card’s number is shown this once: write it on a card, or hand
          it on
        </ShownOnce>
      ) : made ? (
        <p className="mt-2 text-sm" role="status">
          {link} has the number {made.id}.
        </p>
      ) : null}
      {draft ? (
        <DetailsForm
          label="Somebody new"
          {...{ draft, groups, refusal }}
          onDraft={setDraft}
          onKeep={() => keep(draft)}
        >
          <FaultField
            label="Card that they hold (nothing: one is drawn)"
            inputMode="text"
            value={card}
            fault={refusal?.faults.find(({ path }) => path === '/card')?.message ?? null}
            onChange={setCard}
          />
          <p className="flex gap-2">
            <button type="submit" className="btn btn-primary btn-sm" disabled={busy}>
              Make them known
            </button>
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => {
                forgetRefusal();
                setDraft(null);
              }}
            >
              Leave it
            </button>
          </p>
        </DetailsForm>
      ) : null}
    </div>
  );
}
