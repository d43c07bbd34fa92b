import type { Fault } from '../core/plan/index.ts';

/** Why something could not be done, as data. Words are made where it is shown. */
export type Failure =
  | { readonly kind: 'invalid'; readonly faults: readonly Fault[] }
  | { readonly kind: 'forbidden' }
  | { readonly kind: 'not-found'; readonly what: string }
  /** Bytes that are not what they say they are. */
  | { readonly kind: 'unreadable'; readonly wanted: string }
  /** Something of another type than the one that is taken. */
  | { readonly kind: 'wrong-type'; readonly wanted: string }
  /** More than is taken in one go, in bytes. */
  | { readonly kind: 'too-large'; readonly most: number }
  /** It was stopped, or not begun: too many ask at once, or it would take too long. */
  | { readonly kind: 'too-much'; readonly why: 'full' | 'person-full' | 'took-too-long' | 'died' }
  /** Too many codes were tried that are none; milliseconds until the next one is looked at. */
  | { readonly kind: 'slowed'; readonly wait: number }
  /** Something that we stand on is away; it may be asked again. */
  | { readonly kind: 'away'; readonly what: 'database' | 'chain' }
  | Conflict;

/** Somebody was faster. */
export type Conflict =
  | {
      readonly kind: 'conflict';
      /** It was saved, or taken away, after it was opened; `current` is what stands now. */
      readonly code: 'promotion-saved' | 'promotion-gone' | 'entry-saved';
      readonly current?: unknown;
    }
  /** Settings of which somebody changed the same ones after they were opened: which, and what stands now. */
  | {
      readonly kind: 'conflict';
      readonly code: 'settings-saved';
      readonly current: { readonly clashing: readonly string[]; readonly standing: object };
    }
  /** One of many was saved meanwhile: nothing of what was to be done with all of them was done. */
  | { readonly kind: 'conflict'; readonly code: 'one-saved'; readonly id: string; readonly undoing: boolean }
  /** The plan moved on again and again while it was to be changed; `bringing` a file in. */
  | { readonly kind: 'conflict'; readonly code: 'plan-moves'; readonly bringing: boolean }
  /** What is sent is not what was reviewed. */
  | { readonly kind: 'conflict'; readonly code: 'review-is-old'; readonly of: 'plan' | 'held-back' }
  /** The plan is another than the one that was to be replaced. */
  | {
      readonly kind: 'conflict';
      readonly code: 'plan-changed';
      readonly current: { readonly planVersion: number };
    }
  /** A chain was begun, and there is one already. */
  | { readonly kind: 'conflict'; readonly code: 'chain-begun' };

export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly failure: Failure };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const failed = (failure: Failure): { ok: false; failure: Failure } => ({ ok: false, failure });
export const invalid = (path: Fault['path'], what: string, wanted: string) =>
  failed({ kind: 'invalid', faults: [{ path, what, wanted }] });
