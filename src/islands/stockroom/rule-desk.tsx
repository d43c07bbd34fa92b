import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import type { ItemRule, StoreRule } from '../../core/plan/index.ts';
import { itemWords, namesOf, storeWords } from '../../core/sentence/index.ts';
import { writing } from '../../ui/writing/index.ts';
import { Selection, useChoices } from '../selection/index.ts';
import { ask, type Refusal, refusalOf, WithServer } from '../server/index.ts';
import { WaitsNote } from './waits-note.tsx';

/** A set, a store group or a range, as it was opened. */
export interface RuledEntry {
  readonly id: string;
  readonly name: string;
  readonly rule?: ItemRule | StoreRule;
  readonly stores?: StoreRule;
  readonly items?: ItemRule;
  readonly frozen?: { readonly on: string; readonly live: ItemRule };
}

export interface RuleDeskProps {
  readonly table: 'itemSets' | 'storeGroups' | 'ranges';
  readonly entry: RuledEntry;
  readonly view: LensView;
  readonly edits: boolean;
}

export function RuleDesk(props: RuleDeskProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

function Desk({ table, entry: opened, view, edits }: RuleDeskProps) {
  const [entry, setEntry] = useState(opened);
  const [kept, setKept] = useState(opened);
  const [known, setKnown] = useState<Record<string, string>>({});
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [said, setSaid] = useState('');
  const [heldBack, setHeldBack] = useState(false);
  const choices = useChoices();
  const dirty = JSON.stringify(entry) !== JSON.stringify(kept);
  const looking = { store: view.store.id, at: view.at };

  async function save(next: RuledEntry, words: string) {
    setRefusal(null);
    try {
      const { waits } = await ask<{ waits: number | null }>(
        `/api/stockroom/${table}/${idInAddress(next.id)}`,
        {
          method: 'PUT',
          body: { entry: next, was: kept },
        },
      );
      setHeldBack(waits !== null);
      setSaid(waits === null ? words : '');
      setEntry(waits === null ? next : kept);
      if (waits === null) setKept(next);
    } catch (error) {
      setRefusal(refusalOf(error));
    }
  }

  /** The list as it is this very day, with the rule kept aside. */
  async function freeze() {
    const live = entry.rule as ItemRule;
    const { skus } = await ask<{ skus: string[] }>('/api/selection/items', {
      method: 'POST',
      body: { of: 'items', rule: live, ...looking },
    });
    const on = view.at.slice(0, 10);
    await save(
      { ...entry, rule: { items: skus }, frozen: { on, live } },
      `Frozen with ${skus.length} items.`,
    );
  }

  if (!choices.data) return <p className="quiet mt-4">Reading the chain …</p>;
  const items = Object.entries(known).map(([sku, name]) => ({ sku, name })) as never;
  const names = namesOf({ ...choices.data, items }, writing());
  const goods = (rule: ItemRule, onChange: (rule: ItemRule) => void) => (
    <Selection<ItemRule>
      of="items"
      rule={rule}
      choices={choices.data!}
      wordsOf={(one) => itemWords(one, names)}
      looking={looking}
      onKnown={(found) => setKnown((before) => ({ ...before, ...found }))}
      onChange={onChange}
    />
  );
  const places = (rule: StoreRule, onChange: (rule: StoreRule) => void) => (
    <Selection<StoreRule>
      of="stores"
      rule={rule}
      choices={choices.data!}
      wordsOf={(one) => storeWords(one, names)}
      looking={looking}
      onChange={onChange}
    />
  );
  return (
    <div className="mt-4 max-w-3xl">
      {heldBack ? <WaitsNote query={lensQuery(view.lens)} /> : null}
      <label className="block">
        <span className="quiet text-sm">Name</span>
        <input
          className="input mt-0.5 w-full"
          value={entry.name}
          readOnly={!edits}
          onChange={(event) => setEntry({ ...entry, name: event.target.value })}
        />
      </label>
      {entry.frozen ? (
        <div className="mt-5">
          <p>
            Frozen on {entry.frozen.on}: a list of {(entry.rule as { items: string[] }).items.length} items
            that stays as it is. Its rule was: {itemWords(entry.frozen.live, names)}.
          </p>
          {edits ? (
            <button
              type="button"
              className="btn btn-sm mt-2"
              onClick={() => {
                const { frozen, ...rest } = entry;
                save({ ...rest, rule: frozen!.live }, 'Live again: new items that fit are in at once.');
              }}
            >
              Make it live again
            </button>
          ) : null}
        </div>
      ) : (
        <fieldset disabled={!edits} className="mt-5 grid gap-6">
          {table === 'storeGroups' ? (
            <Block title="Which stores">
              {places(entry.rule as StoreRule, (rule) => setEntry({ ...entry, rule }))}
            </Block>
          ) : null}
          {table === 'itemSets' ? (
            <Block title="Which goods">
              {goods(entry.rule as ItemRule, (rule) => setEntry({ ...entry, rule }))}
            </Block>
          ) : null}
          {table === 'ranges' ? (
            <>
              <Block title="Which stores carry it">
                {places(entry.stores!, (stores) => setEntry({ ...entry, stores }))}
              </Block>
              <Block title="Which goods they carry">
                {goods(entry.items!, (next) => setEntry({ ...entry, items: next }))}
              </Block>
            </>
          ) : null}
        </fieldset>
      )}
      {edits ? (
        <p className="mt-6 flex flex-wrap items-center gap-2">
          <button
            type="button"
            className="btn btn-primary btn-sm"
            disabled={!dirty}
            onClick={() => save(entry, 'Saved.')}
          >
            Save
          </button>
          {table === 'itemSets' && !entry.frozen && !('items' in (entry.rule as ItemRule)) ? (
            <button type="button" className="btn btn-sm" onClick={freeze}>
              Freeze it as it is today
            </button>
          ) : null}
          <span role="status" className="text-sm">
            {dirty ? 'Not saved yet.' : said}
          </span>
        </p>
      ) : (
        <p className="quiet mt-6 text-sm">
          Your role looks at this; it is changed by those who keep the stockroom.
        </p>
      )}
      {refusal ? (
        <p role="alert" className="mt-3 border-error border-l-4 pl-3 text-sm">
          {refusal.message} {refusal.faults.map(({ message }) => message).join('; ')}
        </p>
      ) : null}
      {table === 'itemSets' && !dirty ? (
        <p className="mt-6">
          <a className="link" href={`/plan/new${lensQuery(view.lens, { set: entry.id })}`}>
            Make a price change over this set
          </a>
        </p>
      ) : null}
    </div>
  );
}

function Block({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section>
      <h2 className="mb-1 text-lg">{title}</h2>
      {children}
    </section>
  );
}
