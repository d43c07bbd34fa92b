import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import type { ItemRule } from '../../core/plan/index.ts';
import { namesOf } from '../../core/sentence/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { writing } from '../../ui/writing/index.ts';
import { useChoices } from '../selection/index.ts';
import { WithServer } from '../server/index.ts';
import { isDirty, type RuledEntry } from './rule-desk-state.ts';
import { RuleFields } from './rule-fields.tsx';
import { type RuleAt, useRule } from './use-rule.ts';
import { WaitsNote } from './waits-note.tsx';

export type { RuledEntry } from './rule-desk-state.ts';

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

function Desk(props: RuleDeskProps) {
  const { table, view, edits } = props;
  const at = useRule(props);
  const { entry, known, saved } = at.state;
  const choices = useChoices();
  if (!choices.data) return <p className="quiet mt-4">Reading the chain …</p>;
  const items = Object.entries(known).map(([sku, name]) => ({ sku, name })) as never;
  return (
    <div className="mt-4 max-w-3xl">
      {saved.kind === 'held-back' ? <WaitsNote query={lensQuery(view.lens)} /> : null}
      <label className="block">
        <span className="quiet text-sm">Name</span>
        <input
          className="input mt-0.5 w-full"
          value={entry.name}
          readOnly={!edits}
          onChange={(event) => at.tell({ type: 'written', part: { name: event.target.value } })}
        />
      </label>
      <RuleFields
        at={at}
        table={table}
        choices={choices.data}
        names={namesOf({ ...choices.data, items }, writing())}
        edits={edits}
      />
      {edits ? (
        <SaveRow at={at} table={table} />
      ) : (
        <p className="quiet mt-6 text-sm">
          Your role looks at this; it is changed by those who keep the stockroom.
        </p>
      )}
      {saved.kind === 'refused' ? (
        <Notice tone="trouble">
          {saved.refusal.message} {saved.refusal.faults.map(({ message }) => message).join('; ')}
        </Notice>
      ) : null}
      {table === 'itemSets' && !isDirty(at.state) ? (
        <p className="mt-6">
          <a className="link" href={`/plan/new${lensQuery(view.lens, { set: entry.id })}`}>
            Make a price change over this set
          </a>
        </p>
      ) : null}
    </div>
  );
}

function SaveRow({ at, table }: { at: RuleAt; table: RuleDeskProps['table'] }) {
  const { entry, saved } = at.state;
  const dirty = isDirty(at.state);
  const freezes = table === 'itemSets' && !entry.frozen && !('items' in (entry.rule as ItemRule));
  return (
    <p className="mt-6 flex flex-wrap items-center gap-2">
      <button type="button" className="btn btn-primary btn-sm" disabled={!dirty} onClick={at.onSave}>
        Save
      </button>
      {freezes ? (
        <button type="button" className="btn btn-sm" onClick={at.onFreeze}>
          Freeze it as it is today
        </button>
      ) : null}
      <span role="status" className="text-sm">
        {dirty ? 'Not saved yet.' : saved.kind === 'said' ? saved.words : ''}
      </span>
    </p>
  );
}
