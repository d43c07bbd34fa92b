import type { ReactNode } from 'react';
import type { Choices } from '../../contracts/view/index.ts';
import type { ItemRule, StoreRule } from '../../core/plan/index.ts';
import { itemWords, type Names, storeWords } from '../../core/sentence/index.ts';
import { Selection } from '../selection/index.ts';
import type { RuleDeskProps } from './rule-desk.tsx';
import type { RuleAt } from './use-rule.ts';

interface RuleFieldsProps {
  readonly at: RuleAt;
  readonly table: RuleDeskProps['table'];
  readonly choices: Choices;
  readonly names: Names;
  readonly edits: boolean;
}

/** What it holds: chosen while it is live, a list that stays once it is frozen. */
export function RuleFields({ at, table, choices, names, edits }: RuleFieldsProps) {
  const { state, tell, looking } = at;
  const { entry } = state;
  if (entry.frozen) return <Frozen at={at} names={names} edits={edits} />;
  const shared = { choices, looking };
  const goods = (rule: ItemRule, put: (rule: ItemRule) => void) => (
    <Selection<ItemRule>
      of="items"
      rule={rule}
      wordsOf={(one) => itemWords(one, names)}
      onKnown={(found) => tell({ type: 'named', names: found })}
      onChange={put}
      {...shared}
    />
  );
  const places = (rule: StoreRule, put: (rule: StoreRule) => void) => (
    <Selection<StoreRule>
      of="stores"
      rule={rule}
      wordsOf={(one) => storeWords(one, names)}
      onChange={put}
      {...shared}
    />
  );
  const put = (part: Partial<typeof entry>) => tell({ type: 'written', part });
  return (
    <fieldset disabled={!edits} className="mt-5 grid gap-6">
      {table === 'storeGroups' ? (
        <Block title="Which stores">{places(entry.rule as StoreRule, (rule) => put({ rule }))}</Block>
      ) : null}
      {table === 'itemSets' ? (
        <Block title="Which goods">{goods(entry.rule as ItemRule, (rule) => put({ rule }))}</Block>
      ) : null}
      {table === 'ranges' ? (
        <>
          <Block title="Which stores carry it">{places(entry.stores!, (stores) => put({ stores }))}</Block>
          <Block title="Which goods they carry">{goods(entry.items!, (items) => put({ items }))}</Block>
        </>
      ) : null}
    </fieldset>
  );
}

function Frozen({ at, names, edits }: Pick<RuleFieldsProps, 'at' | 'names' | 'edits'>) {
  const { rule, frozen } = at.state.entry;
  return (
    <div className="mt-5">
      <p>
        Frozen on {frozen!.on}: a list of {(rule as { items: string[] }).items.length} items that stays as it
        is. Its rule was: {itemWords(frozen!.live, names)}.
      </p>
      {edits ? (
        <button type="button" className="btn btn-sm mt-2" onClick={at.onThaw}>
          Make it live again
        </button>
      ) : null}
    </div>
  );
}

function Block({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="mb-1 text-lg">{title}</h2>
      {children}
    </section>
  );
}
