import { dequal } from 'dequal/lite';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import type { Choices } from '../../contracts/view/index.ts';
import type { ItemRule, StoreRule } from '../../core/plan/index.ts';
import { Leaf as LeafPicker } from './leaf-picker.tsx';
import {
  asGroup,
  type Group,
  type Outline,
  outlineOf,
  ruleOfOutline,
  WANTS,
  type Want,
  withAdded,
  withExcept,
  withPart,
} from './outline.ts';
import { SelectionCount } from './selection-count.tsx';

export type Rule = ItemRule | StoreRule;

export interface SelectionProps<R extends Rule> {
  readonly of: 'items' | 'stores';
  /** Null: nothing chosen yet. */
  readonly rule: R | null;
  readonly choices: Choices;
  readonly wordsOf: (rule: R) => string;
  readonly onKnown?: (names: Record<string, string>) => void;
  readonly onChange: (rule: R) => void;
  /** Where the count is looked at; absent: no count is shown. */
  readonly looking?: { readonly store: string; readonly at: string };
}

/** A list with nothing on it: there is nothing to show or to take away. */
const isBareList = (rule: Rule): boolean =>
  ('items' in rule && rule.items.length === 0) || ('stores' in rule && rule.stores.length === 0);

const WORDS: Readonly<Record<Want, { goods: string; places: string }>> = {
  any: { goods: 'Goods that are in any of these', places: 'Stores that are in any of these' },
  all: { goods: 'Goods that are in all of these at once', places: 'Stores that are in all of these at once' },
  none: { goods: 'but none of these', places: 'but none of these' },
};

/** The one way to choose goods or stores: parts in plain words, in groups within groups, with what they select beside. */
export function Selection<R extends Rule>(props: SelectionProps<R>) {
  const { rule, onChange, looking } = props;
  // What is built may for a moment say more than a rule can (a group without parts): it is kept here.
  const [built, setBuilt] = useState<Group<R>>(() =>
    rule === null || isBareList(rule) ? { kind: 'group', want: 'any', parts: [] } : asGroup(outlineOf(rule)),
  );
  const change = (next: Group<R>) => {
    setBuilt(next);
    onChange(ruleOfOutline(next));
  };
  // One list to pick from at a time, or the panel outgrows the screen.
  const [addingAt, setAddingAt] = useState<string | null>(built.parts.length === 0 ? '' : null);
  return (
    <span className="block text-sm">
      <GroupPart
        {...props}
        group={built}
        path={[]}
        root={built}
        onBuilt={change}
        addingAt={addingAt}
        onAddingAt={setAddingAt}
      />
      {looking && built.parts.length > 0 ? (
        <SelectionCount
          of={props.of}
          rule={ruleOfOutline(built)}
          looking={looking}
          wordsOf={props.wordsOf as never}
        />
      ) : null}
    </span>
  );
}

type PartProps<R extends Rule> = SelectionProps<R> & {
  readonly group: Group<R>;
  readonly root: Group<R>;
  readonly path: readonly number[];
  readonly onBuilt: (root: Group<R>) => void;
  /** The path of the group that is being added to; null: none. */
  readonly addingAt: string | null;
  readonly onAddingAt: (path: string | null) => void;
};

function GroupPart<R extends Rule>(props: PartProps<R>) {
  const { group, root, path, of, onBuilt, wordsOf, onAddingAt } = props;
  const here = path.join('.');
  const adding = props.addingAt === here;
  const put = (next: Outline<R> | null, at: readonly number[] = path) => onBuilt(withPart(root, at, next));
  const add = (part: Outline<R>) => onBuilt(withAdded(root, path, part));
  const picked = group.parts.flatMap((part) => (part.kind === 'leaf' ? [part.rule] : []));
  return (
    <span className={`block ${path.length > 0 ? 'border-base-content/30 border-l-2 pl-3' : ''}`}>
      <span className="flex items-baseline gap-2">
        <select
          className="select select-xs w-auto min-w-56 max-w-full"
          aria-label="How these parts go together"
          value={group.want}
          onChange={(event) => put({ ...group, want: event.target.value as Want })}
        >
          {WANTS.map((want) => (
            <option key={want} value={want}>
              {wantWords(group, want, of, path.length === 0)}
            </option>
          ))}
        </select>
        {path.length > 0 ? <Drop words="this group" onDrop={() => put(null)} /> : null}
      </span>
      <span className="mt-1 block space-y-1">
        {group.parts.map((part, i) =>
          part.kind === 'group' ? (
            // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the group.
            <GroupPart key={i} {...props} group={part} path={[...path, i]} />
          ) : (
            <span key={wordsOf(part.rule)} className="flex items-baseline gap-1">
              <span className="rounded-field bg-accent px-1.5 text-accent-content">{wordsOf(part.rule)}</span>
              <Drop words={wordsOf(part.rule)} onDrop={() => put(null, [...path, i])} />
            </span>
          ),
        )}
      </span>
      <span className="mt-1.5 flex flex-wrap gap-1.5">
        <button
          type="button"
          className="btn btn-xs"
          aria-expanded={adding}
          onClick={() => onAddingAt(adding ? null : here)}
        >
          <Plus size={13} aria-hidden="true" /> {of === 'items' ? 'goods' : 'stores'}
        </button>
        {path.length < 4 ? (
          <>
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => {
                const next = withExcept(group);
                put(next);
                onAddingAt([...path, next.parts.length - 1].join('.'));
              }}
            >
              except …
            </button>
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => {
                add({ kind: 'group', want: group.want === 'all' ? 'any' : 'all', parts: [] });
                onAddingAt([...path, group.parts.length].join('.'));
              }}
            >
              group within
            </button>
          </>
        ) : null}
      </span>
      {adding ? (
        <span className="mt-2 block rounded-box border border-base-300 p-2">
          <LeafPicker<R>
            {...props}
            picked={picked}
            onToggle={(rule) => {
              const at = group.parts.findIndex((part) => part.kind === 'leaf' && dequal(part.rule, rule));
              if (at >= 0) put(null, [...path, at]);
              else add({ kind: 'leaf', rule });
            }}
          />
        </span>
      ) : null}
    </span>
  );
}

/** How a group says what it wants of its parts. */
function wantWords<R>(group: Group<R>, want: Want, of: 'items' | 'stores', outermost: boolean): string {
  const goods = of === 'items';
  if (want === 'none' && outermost) return goods ? 'Everything but these' : 'All stores but these';
  const taken = group.parts.filter((part) => part.kind === 'leaf' || part.want !== 'none');
  if (want === 'all' && taken.length === 1)
    return goods ? 'Goods that are in this' : 'Stores that are in this';
  return WORDS[want][goods ? 'goods' : 'places'];
}

function Drop({ words, onDrop }: { words: string; onDrop: () => void }) {
  return (
    <button type="button" className="btn btn-ghost btn-xs px-1" onClick={onDrop}>
      <X size={13} aria-label={`take away ${words}`} />
    </button>
  );
}
