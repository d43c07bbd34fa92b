import { X } from 'lucide-react';
import { useState } from 'react';
import type { ItemRule, StoreRule } from '../../core/plan/index.ts';
import { type Inclusion, inclusionOf, ruleOf } from '../../core/sentence/index.ts';
import { type Pickable, PickList } from '../../ui/pieces/index.ts';

export type Rule = ItemRule | StoreRule;

/** What can be chosen, each with the rule that it stands for. */
export interface RuleChoice extends Pickable {
  readonly rule: Rule;
}

/** Chooses goods or stores: any of these, except those. */
export function RulePart<R extends Rule>({
  rule,
  choices,
  wordsOf,
  all,
  onChange,
  onSearch,
}: {
  rule: R | null;
  choices: readonly RuleChoice[];
  wordsOf: (rule: R) => string;
  /** How "everything" is called here. */
  all: string;
  onChange: (rule: R) => void;
  onSearch?: (text: string) => void;
}) {
  const [list, setList] = useState<'include' | 'except'>('include');
  const inclusion: Inclusion<R> | null = rule === null ? { include: [], except: [] } : inclusionOf(rule);
  if (!inclusion)
    return (
      <span className="block text-sm">
        <span className="block">
          This rule is nested further than this panel shows: {wordsOf(rule!)}. It stays as it is.
        </span>
        <button type="button" className="btn btn-sm mt-2" onClick={() => onChange({ all: true } as R)}>
          Choose anew
        </button>
      </span>
    );
  const change = (next: Partial<Inclusion<R>>) => onChange(ruleOf<R>({ ...inclusion, ...next }));
  const toggle = (value: string) => {
    const picked = choices.find((choice) => choice.value === value)!.rule as R;
    const there = inclusion[list].some((part) => same(part, picked));
    change({
      [list]: there ? inclusion[list].filter((part) => !same(part, picked)) : [...inclusion[list], picked],
    });
  };
  const chosen = choices
    .filter((choice) => inclusion[list].some((part) => same(part, choice.rule)))
    .map(({ value }) => value);
  return (
    <span className="block">
      <span className="mb-2 block space-y-1 text-sm">
        <Chips
          words={list === 'include' ? 'Chosen' : 'Left out'}
          parts={inclusion[list]}
          wordsOf={wordsOf}
          none={list === 'include' ? (rule === null ? 'nothing yet' : all) : 'nothing'}
          onDrop={(part) => change({ [list]: inclusion[list].filter((one) => !same(one, part)) })}
        />
      </span>
      <span className="mb-2 flex gap-1">
        {(['include', 'except'] as const).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={list === one}
            className={`btn btn-xs ${list === one ? 'btn-neutral' : ''}`}
            onClick={() => setList(one)}
          >
            {one === 'include'
              ? 'Choose'
              : `Leave out${inclusion.except.length ? ` (${inclusion.except.length})` : ''}`}
          </button>
        ))}
        <button type="button" className="btn btn-xs ml-auto" onClick={() => change({ include: [] })}>
          {all}
        </button>
      </span>
      <PickList
        name={list === 'include' ? 'Choose' : 'Leave out'}
        options={choices}
        chosen={chosen}
        onPick={toggle}
        onSearch={onSearch}
      />
    </span>
  );
}

const same = (a: Rule, b: Rule): boolean => JSON.stringify(a) === JSON.stringify(b);

function Chips<R extends Rule>({
  words,
  parts,
  wordsOf,
  none,
  onDrop,
}: {
  words: string;
  parts: readonly R[];
  wordsOf: (rule: R) => string;
  none: string;
  onDrop: (part: R) => void;
}) {
  return (
    <span className="flex flex-wrap items-baseline gap-1">
      <span className="quiet">{words}:</span>
      {parts.length === 0 ? <span>{none}</span> : null}
      {parts.map((part) => (
        <button
          key={JSON.stringify(part)}
          type="button"
          className="inline-flex items-center gap-1 rounded-field bg-accent px-1.5 text-accent-content"
          onClick={() => onDrop(part)}
        >
          {wordsOf(part)} <X size={12} aria-label="take away" />
        </button>
      ))}
    </span>
  );
}
