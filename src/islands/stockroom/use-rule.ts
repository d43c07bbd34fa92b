import { useReducer } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { ItemRule } from '../../core/plan/index.ts';
import { ask, refusalOf } from '../server/index.ts';
import type { RuleDeskProps } from './rule-desk.tsx';
import { type RuledEntry, ruleStateAfter, ruleStateOf } from './rule-desk-state.ts';

/** A set, a store group or a range being written, with the server behind it. */
export function useRule({ table, entry: opened, view }: RuleDeskProps) {
  const [state, tell] = useReducer(ruleStateAfter, opened, ruleStateOf);
  const { entry, kept } = state;
  const looking = { store: view.store.id, at: view.at };

  async function save(next: RuledEntry, words: string): Promise<void> {
    tell({ type: 'asked' });
    try {
      const path = `/api/stockroom/${table}/${idInAddress(next.id)}`;
      const body = { entry: next, was: kept };
      const { waits } = await ask<{ waits: number | null }>(path, { method: 'PUT', body });
      tell(waits === null ? { type: 'saved', entry: next, words } : { type: 'held-back' });
    } catch (error) {
      tell({ type: 'refused', refusal: refusalOf(error) });
    }
  }

  return {
    state,
    tell,
    looking,
    onSave: () => save(entry, 'Saved.'),
    /** The list as it is this very day, with the rule kept aside. */
    async onFreeze(): Promise<void> {
      const live = entry.rule as ItemRule;
      const body = { of: 'items', rule: live, ...looking };
      try {
        const { skus } = await ask<{ skus: string[] }>('/api/selection/items', { method: 'POST', body });
        const frozen = { on: view.at.slice(0, 10), live };
        await save({ ...entry, rule: { items: skus }, frozen }, `Frozen with ${skus.length} items.`);
      } catch (error) {
        tell({ type: 'refused', refusal: refusalOf(error) });
      }
    },
    onThaw() {
      const { frozen, ...rest } = entry;
      return save({ ...rest, rule: frozen!.live }, 'Live again: new items that fit are in at once.');
    },
  };
}

export type RuleAt = ReturnType<typeof useRule>;
