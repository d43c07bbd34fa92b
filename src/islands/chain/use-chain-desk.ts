import { useState } from 'react';
import type { ChainChanged, ChainView } from '../../contracts/view/index.ts';
import { ask, type Refusal, refusalOf } from '../server/index.ts';

const FIELDS = ['name', 'priceChanges', 'baskets', 'marginFloor'] as const;

/** What is sent of the settings, over the version of the plan that was looked at. */
export const bodyOf = ({ name, priceChanges, baskets, marginFloor }: ChainView, planVersion: number) => ({
  ...{ name: name.trim(), priceChanges, baskets, marginFloor, planVersion },
});

/** The settings of the chain being written, with the server behind them. */
export function useChainDesk(chain: ChainView) {
  const [kept, setKept] = useState(chain);
  const [draft, setDraft] = useState(chain);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const [round, setRound] = useState(0);

  /** What somebody else set meanwhile counts where nothing else was typed. */
  async function readAgain(): Promise<void> {
    const stands = await ask<ChainView>('/api/chain').catch(() => null);
    if (!stands) return;
    const typedHere = FIELDS.filter((key) => draft[key] !== kept[key]).map((key) => [key, draft[key]]);
    setKept(stands);
    setDraft({ ...stands, ...Object.fromEntries(typedHere) });
  }
  return {
    /** As it stands on the server, as far as it was heard. */
    kept,
    draft,
    dirty: FIELDS.some((key) => draft[key] !== kept[key]),
    /** Fields that keep what is typed begin anew with each. */
    round,
    refusal,
    said,
    busy,
    typed(more: Partial<ChainView>): void {
      setSaid('');
      setDraft({ ...draft, ...more });
    },
    async save(): Promise<void> {
      setBusy(true);
      setRefusal(null);
      try {
        const body = bodyOf(draft, kept.planVersion);
        const { effect: _, ...saved } = await ask<ChainChanged>('/api/chain', { method: 'PUT', body });
        setKept(saved);
        setDraft(saved);
        setSaid('Kept.');
      } catch (error) {
        const refused = refusalOf(error);
        setRefusal(refused);
        if (refused.current) await readAgain();
      }
      setBusy(false);
    },
    leave(): void {
      setDraft(kept);
      setRound(round + 1);
    },
  };
}
