import { ArrowUp, X } from 'lucide-react';
import { useState } from 'react';
import type { Choices } from '../../contracts/view/index.ts';
import type { ItemRule, PassDocument } from '../../core/plan/index.ts';
import { formulaWords, itemWords, type Names, roundingWords } from '../../core/sentence/index.ts';
import { Part } from '../../ui/pieces/index.ts';
import { writing } from '../../ui/writing/index.ts';
import { Selection } from '../selection/index.ts';
import { FormulaPart } from '../sentence/formula-part.tsx';
import { RoundingPart } from '../sentence/rounding-part.tsx';

const FIRST: PassDocument = { items: { items: [] }, formula: { percentOff: 1000 } };

interface PassesProps {
  readonly passes: readonly PassDocument[];
  readonly choices: Choices;
  readonly names: Names;
  readonly looking: { readonly store: string; readonly at: string };
  readonly locked: boolean;
  /** The sheet sets regular prices: nobody pays "less" yet. */
  readonly regular?: boolean;
  readonly onKnown: (names: Record<string, string>) => void;
  readonly onChange: (passes: PassDocument[]) => void;
}

/** The passes of a sheet, each a short sentence that is changed in its parts; a later one overwrites an earlier one. */
export function Passes({
  passes,
  choices,
  names,
  looking,
  locked,
  regular = false,
  onKnown,
  onChange,
}: PassesProps) {
  const [fresh, setFresh] = useState<number | null>(null);
  const put = (at: number, next: PassDocument) => onChange(passes.map((pass, i) => (i === at ? next : pass)));
  return (
    <ol className="space-y-1">
      {passes.map((pass, i) => (
        <PassRow
          // biome-ignore lint/suspicious/noArrayIndexKey: a pass is its place in the order.
          key={i}
          at={i}
          pass={pass}
          startOpen={fresh === i}
          {...{ choices, names, looking, locked, onKnown }}
          onChange={(next) => put(i, next)}
          onEarlier={() => onChange(passes.toSpliced(i, 1).toSpliced(i - 1, 0, pass))}
          onDrop={() => onChange(passes.filter((_, at) => at !== i))}
        />
      ))}
      {locked ? null : (
        <li className="pl-7">
          <button
            type="button"
            className="part text-sm"
            onClick={() => {
              setFresh(passes.length);
              onChange([
                ...passes,
                regular
                  ? { ...FIRST, formula: { multiplyBy: '1.03' }, rounding: { step: '0.05', mode: 'nearest' } }
                  : FIRST,
              ]);
            }}
          >
            + {passes.length === 0 ? 'a pass over some goods' : 'another pass over other goods'}
          </button>
        </li>
      )}
    </ol>
  );
}

/** One pass as a short sentence, changed in its parts. */
function PassRow({
  at,
  pass,
  choices,
  names,
  looking,
  locked,
  startOpen,
  onKnown,
  onChange,
  onEarlier,
  onDrop,
}: Pick<PassesProps, 'choices' | 'names' | 'looking' | 'locked' | 'onKnown'> & {
  /** Its place in the order, from 0. */
  at: number;
  pass: PassDocument;
  startOpen: boolean;
  onChange: (pass: PassDocument) => void;
  onEarlier: () => void;
  onDrop: () => void;
}) {
  const number = <span className="quiet w-5 text-right tabular-nums">{at + 1}.</span>;
  if (locked)
    return (
      <li className="flex items-baseline gap-2">
        {number}
        <span>{passWords(pass, choices.currency, names)}</span>
      </li>
    );
  return (
    <li className="flex items-baseline gap-2">
      {number}
      <span className="flex-1 font-serif text-lg leading-8">
        <Part
          name={`Pass ${at + 1}, how the price comes about`}
          words={formulaWords(pass.formula, choices.currency, names)}
        >
          {() => (
            <FormulaPart
              formula={pass.formula}
              choices={choices}
              onChange={(formula) => onChange({ ...pass, formula })}
            />
          )}
        </Part>{' '}
        <Part
          name={`Pass ${at + 1}, goods`}
          words={isNothing(pass.items) ? 'goods to choose' : itemWords(pass.items, names)}
          wide
          startOpen={startOpen}
        >
          {() => (
            <Selection<ItemRule>
              of="items"
              rule={isNothing(pass.items) ? null : pass.items}
              choices={choices}
              wordsOf={(rule) => itemWords(rule, names)}
              looking={looking}
              onKnown={onKnown}
              onChange={(items) => onChange({ ...pass, items })}
            />
          )}
        </Part>
        {', '}
        <Part
          name={`Pass ${at + 1}, rounding`}
          words={pass.rounding ? roundingWords(pass.rounding, writing()) : 'to the smallest coin'}
        >
          {() => (
            <RoundingPart
              rounding={pass.rounding}
              onChange={(rounding) => {
                const { rounding: _, ...rest } = pass;
                onChange(rounding ? { ...rest, rounding } : rest);
              }}
            />
          )}
        </Part>
      </span>
      <span className="flex-none">
        {at > 0 ? (
          <button type="button" className="btn btn-ghost btn-xs px-1" onClick={onEarlier}>
            <ArrowUp size={14} aria-label={`run pass ${at + 1} earlier`} />
          </button>
        ) : null}
        <button type="button" className="btn btn-ghost btn-xs px-1" onClick={onDrop}>
          <X size={14} aria-label={`take pass ${at + 1} away`} />
        </button>
      </span>
    </li>
  );
}

const isNothing = (rule: ItemRule): boolean => 'items' in rule && rule.items.length === 0;

function passWords({ formula, items, rounding }: PassDocument, currency: string, names: Names): string {
  const rounded = rounding ? `, ${roundingWords(rounding, writing())}` : '';
  return `${formulaWords(formula, currency, names)} ${itemWords(items, names)}${rounded}`;
}
