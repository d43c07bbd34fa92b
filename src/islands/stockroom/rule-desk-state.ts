import { dequal } from 'dequal/lite';
import type { ItemRule, StoreRule } from '../../core/plan/index.ts';
import type { Refusal } from '../server/index.ts';

/** A set, a store group or a range, as it was opened. */
export interface RuledEntry {
  readonly id: string;
  readonly name: string;
  readonly rule?: ItemRule | StoreRule;
  readonly stores?: StoreRule;
  readonly items?: ItemRule;
  readonly frozen?: { readonly on: string; readonly live: ItemRule };
}

/** What became of it when it was saved last. */
export type RuleSaved =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'said'; readonly words: string }
  /** It waits for approval. */
  | { readonly kind: 'held-back' }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

export interface RuleState {
  readonly entry: RuledEntry;
  /** As it stands on the server. */
  readonly kept: RuledEntry;
  /** Names of goods that were found while choosing. */
  readonly known: Readonly<Record<string, string>>;
  readonly saved: RuleSaved;
}

export type RuleEvent =
  | { readonly type: 'written'; readonly part: Partial<RuledEntry> }
  | { readonly type: 'named'; readonly names: Readonly<Record<string, string>> }
  | { readonly type: 'asked' }
  | { readonly type: 'saved'; readonly entry: RuledEntry; readonly words: string }
  | { readonly type: 'held-back' }
  | { readonly type: 'refused'; readonly refusal: Refusal };

export const ruleStateOf = (opened: RuledEntry): RuleState => ({
  entry: opened,
  kept: opened,
  known: {},
  saved: { kind: 'nothing' },
});

export const isDirty = ({ entry, kept }: RuleState): boolean => entry !== kept && !dequal(entry, kept);

export function ruleStateAfter(state: RuleState, event: RuleEvent): RuleState {
  switch (event.type) {
    case 'written':
      return { ...state, entry: { ...state.entry, ...event.part } };
    case 'named':
      return { ...state, known: { ...state.known, ...event.names } };
    case 'asked':
      return { ...state, saved: { kind: 'nothing' } };
    case 'saved':
      return { ...state, entry: event.entry, kept: event.entry, saved: { kind: 'said', words: event.words } };
    case 'held-back':
      return { ...state, entry: state.kept, saved: { kind: 'held-back' } };
    case 'refused':
      return { ...state, saved: { kind: 'refused', refusal: event.refusal } };
  }
}
