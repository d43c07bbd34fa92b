import type { KeyRequest } from '../../contracts/index.ts';
import { KEY_SCOPES, type KeyScope, type KeysView } from '../../contracts/view/index.ts';
import { FaultField, Notice } from '../../ui/pieces/index.ts';
import { SCOPE_WORDS } from '../../ui/words/index.ts';
import { TheirStores } from '../people/their-stores.tsx';
import { type Refusal, refusalWords } from '../server/index.ts';

export type KeyDraft = Readonly<Omit<KeyRequest, 'until'>> & { readonly until: string };

export const NO_KEY: KeyDraft = { name: '', scopes: ['see'], costs: false, stores: [], until: '' };

/** What is sent of it: stores are those of who only looks. */
export const saidOf = ({ name, scopes, costs, stores, until }: KeyDraft): KeyRequest => ({
  ...{ name: name.trim(), scopes: [...scopes], costs, until: until || null },
  stores: scopes.length === 1 ? [...stores] : [],
});

/** What a program may do and is told, before it is let in. */
export function KeyForm({
  draft,
  stores,
  refusal,
  busy,
  onDraft,
  onMake,
  onLeave,
}: {
  draft: KeyDraft;
  stores: KeysView['stores'];
  refusal: Refusal | null;
  busy: boolean;
  onDraft: (draft: KeyDraft) => void;
  onMake: () => void;
  onLeave: () => void;
}) {
  const faultOf = (field: string) =>
    refusal?.faults.find(({ path }) => path === `/${field}`)?.message ?? null;
  const toggle = (scope: KeyScope, on: boolean) =>
    onDraft({
      ...draft,
      scopes: KEY_SCOPES.filter((one) => (one === scope ? on : draft.scopes.includes(one))),
    });
  const said = ['name', 'until', 'stores'].some((field) => faultOf(field) !== null);
  return (
    <form
      aria-label="A key for a program"
      className="bg-base-200 mt-3 grid max-w-3xl gap-x-8 gap-y-3 px-4 py-3 text-sm md:grid-cols-2"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onMake();
      }}
    >
      <div className="space-y-3">
        <FaultField
          label="Name, as the trail tells it"
          inputMode="text"
          value={draft.name}
          fault={faultOf('name')}
          onChange={(name) => onDraft({ ...draft, name })}
        />
        <label className="block">
          The last day on which it is good
          <input
            type="date"
            className="input input-sm mt-0.5 block w-44"
            value={draft.until}
            onChange={({ target }) => onDraft({ ...draft, until: target.value })}
          />
          <span className="quiet block">Empty: until it is taken</span>
          {faultOf('until') ? <span className="text-error">{faultOf('until')}</span> : null}
        </label>
      </div>
      <fieldset>
        <legend>What it may do</legend>
        {KEY_SCOPES.map((scope) => (
          <label key={scope} className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={draft.scopes.includes(scope)}
              disabled={scope === 'see'}
              onChange={({ target }) => toggle(scope, target.checked)}
            />
            {SCOPE_WORDS[scope]}
          </label>
        ))}
        <label className="flex items-center gap-2 py-1">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={draft.costs}
            onChange={({ target }) => onDraft({ ...draft, costs: target.checked })}
          />
          is told costs and margins
        </label>
      </fieldset>
      {draft.scopes.length === 1 ? (
        <TheirStores
          chosen={draft.stores}
          stores={stores}
          fault={faultOf('stores')}
          onStore={(id, theirs) => {
            const others = draft.stores.filter((one) => one !== id);
            onDraft({ ...draft, stores: theirs ? [...others, id] : others });
          }}
        />
      ) : null}
      {refusal && !said ? (
        <Notice tone="trouble" className="md:col-span-2">
          {refusalWords(refusal)}
        </Notice>
      ) : null}
      <p className="flex gap-2 md:col-span-2">
        <button type="submit" className="btn btn-primary btn-sm" disabled={busy}>
          Make the key
        </button>
        <button type="button" className="btn btn-sm" onClick={onLeave}>
          Leave it
        </button>
      </p>
    </form>
  );
}
