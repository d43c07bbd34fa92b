import { useState } from 'react';
import type { LensView, ManyAction, ManyEffect, SpanEffect } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidAmount, saidCount, shortMoment } from '../../ui/writing/index.ts';
import { ask, type Refusal, refusalOf } from '../server/index.ts';

const WORDS: Readonly<Record<ManyAction, string>> = {
  submit: 'Submit',
  approve: 'Approve',
  withdraw: 'Make drafts',
  pause: 'Pause',
  resume: 'Resume',
  'end-now': 'End now',
  archive: 'Put away',
  move: 'Move',
  again: 'Same again',
};

type State =
  | { readonly kind: 'choosing' }
  | { readonly kind: 'looking'; readonly action: ManyAction }
  | { readonly kind: 'previewed'; readonly action: ManyAction; readonly effect: ManyEffect }
  | { readonly kind: 'refused'; readonly action: ManyAction; readonly refusal: Refusal };

/** What can be done to the chosen promotions at once; each action first says what it would do. */
export function ManyBar({
  ids,
  view,
  approves,
  onDone,
  onLeave,
}: {
  ids: readonly string[];
  view: LensView;
  approves: boolean;
  onDone: (words: string, undo: () => Promise<string>) => void;
  onLeave: () => void;
}) {
  const [state, setState] = useState<State>({ kind: 'choosing' });
  const [days, setDays] = useState('7');
  const shift = /^-?\d{1,4}$/.test(days.trim()) ? Number(days) : null;
  const actions: ManyAction[] = approves
    ? ['approve', 'submit', 'pause', 'resume', 'end-now', 'archive', 'withdraw']
    : ['submit', 'pause', 'resume', 'end-now', 'archive', 'withdraw'];
  const send = <T,>(action: ManyAction, dry: boolean) =>
    ask<T>('/api/promotions/many', {
      method: 'POST',
      body: { ids, action, days: shift ?? 0, store: view.store.id, dry },
    });
  const look = async (action: ManyAction) => {
    setState({ kind: 'looking', action });
    try {
      setState({ kind: 'previewed', action, effect: await send<ManyEffect>(action, true) });
    } catch (error) {
      setState({ kind: 'refused', action, refusal: refusalOf(error) });
    }
  };
  const act = async (action: ManyAction) => {
    try {
      const done = await send<{ changed: number; ids: string[] }>(action, false);
      onDone(`${WORDS[action]}: done for ${done.changed}.`, async () => {
        const body = { ids: done.ids, action, days: shift ?? 0, store: view.store.id };
        const { changed } = await ask<{ changed: number }>('/api/promotions/undo', { method: 'POST', body });
        return `Undone for ${changed}.`;
      });
      setState({ kind: 'choosing' });
    } catch (error) {
      setState({ kind: 'refused', action, refusal: refusalOf(error) });
    }
  };
  return (
    <section
      aria-label="The chosen promotions"
      className="sticky bottom-0 z-10 mt-3 border-base-content border-t bg-base-100 py-3 text-sm"
    >
      <ActionRow
        count={ids.length}
        {...{ actions, shift, days }}
        onDays={setDays}
        onLook={look}
        onLeave={onLeave}
      />
      {state.kind === 'looking' ? (
        <p className="quiet mt-2" role="status">
          Looking what it would do …
        </p>
      ) : null}
      {state.kind === 'refused' ? (
        <Notice tone="trouble" className="mt-2">
          <p>{state.refusal.message}</p>
          <ul>
            {state.refusal.faults.slice(0, 6).map(({ path, message }) => (
              <li key={path + message}>{message}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      {state.kind === 'previewed' ? (
        <div className="mt-2" role="status">
          <Effect action={state.action} effect={state.effect} near={view.now} />
          <p className="mt-2 flex gap-2">
            <button
              type="button"
              className="btn btn-primary btn-sm"
              disabled={state.effect.promotions.length === 0}
              onClick={() => act(state.action)}
            >
              {WORDS[state.action]}{' '}
              {state.effect.promotions.length === 1 ? 'it' : `all ${state.effect.promotions.length}`}
            </button>
            <button type="button" className="btn btn-sm" onClick={() => setState({ kind: 'choosing' })}>
              Leave it
            </button>
          </p>
        </div>
      ) : null}
    </section>
  );
}

/** What can be done, the shift in days beside what needs one. */
function ActionRow({
  count,
  actions,
  shift,
  days,
  onDays,
  onLook,
  onLeave,
}: {
  count: number;
  actions: readonly ManyAction[];
  /** Null: what is typed is no number of days. */
  shift: number | null;
  days: string;
  onDays: (days: string) => void;
  onLook: (action: ManyAction) => void;
  onLeave: () => void;
}) {
  const press = (action: ManyAction, disabled = false) => (
    <button
      key={action}
      type="button"
      className="btn btn-sm"
      disabled={disabled}
      onClick={() => onLook(action)}
    >
      {WORDS[action]}
    </button>
  );
  return (
    <p className="flex flex-wrap items-center gap-2">
      <strong className="font-medium">{count} chosen</strong>
      {actions.map((action) => press(action))}
      <span className="flex items-center gap-1.5">
        {press('again', shift === null)}
        {press('move', shift === null)}
        by
        <input
          className="input input-xs w-14 tabular-nums"
          aria-label="By how many days"
          inputMode="numeric"
          value={days}
          aria-invalid={shift === null}
          onChange={(event) => onDays(event.target.value)}
        />
        days
      </span>
      <button type="button" className="link ml-auto" onClick={onLeave}>
        Choose none
      </button>
    </p>
  );
}

const SHOWN = 4;

/** What one would do in its own span, with all the others standing. */
function spanWords(span: SpanEffect | null): string {
  if (!span) return '';
  const where = ` in ${span.store}`;
  if (span.kind === 'basket')
    return span.before === span.after
      ? `, a basket for it would cost the same${where}, ${saidAmount(span.after)}`
      : `, a basket for it would cost ${saidAmount(span.after)} instead of ${saidAmount(span.before)}${where}`;
  if (span.up + span.down === 0) return `, it would change no price then${where}`;
  return `, then ${saidCount(span.down)} prices would fall${span.up > 0 ? ` and ${saidCount(span.up)} rise` : ''}${where}`;
}

function Effect({ action, effect, near }: { action: ManyAction; effect: ManyEffect; near: string }) {
  const { promotions, items, stores, up, down, left } = effect;
  const dated = action === 'move' || action === 'again' || action === 'end-now';
  return (
    <>
      <p>
        {items === 0
          ? 'No price of this moment would change.'
          : `Right now the prices of ${saidCount(items)} ${items === 1 ? 'item' : 'items'} in ${saidCount(stores)} ${stores === 1 ? 'store' : 'stores'} would change: ${saidCount(down)} would fall, ${saidCount(up)} would rise. The tills hear of it with the next sending.`}
      </p>
      <ul className="quiet max-h-64 overflow-y-auto">
        {(dated ? promotions : promotions.slice(0, SHOWN)).map(
          ({ id, name, from, to, status, waits, cut, span }) => (
            <li key={id}>
              {name}:{' '}
              {dated ? `${shortMoment(from, near)} to ${to ? shortMoment(to, near) : 'no end'}, ` : ''}
              {waits ? 'goes on as it is until this is approved' : status}
              {cut ? ', from where the first one ends' : ''}
              {spanWords(span)}
            </li>
          ),
        )}
        {!dated && promotions.length > SHOWN ? <li>and {promotions.length - SHOWN} more</li> : null}
        {left.map(({ name, why }) => (
          <li key={name}>
            {name} is left out: {why}
          </li>
        ))}
      </ul>
    </>
  );
}
