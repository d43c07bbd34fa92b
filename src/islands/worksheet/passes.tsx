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
}: {
  passes: readonly PassDocument[];
  choices: Choices;
  names: Names;
  looking: { readonly store: string; readonly at: string };
  locked: boolean;
  /** The sheet sets regular prices: nobody pays "less" yet. */
  regular?: boolean;
  onKnown: (names: Record<string, string>) => void;
  onChange: (passes: PassDocument[]) => void;
}) {
  const [fresh, setFresh] = useState<number | null>(null);
  const put = (at: number, next: PassDocument) => onChange(passes.map((pass, i) => (i === at ? next : pass)));
  return (
    <ol className="space-y-1">
      {passes.map((pass, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a pass is its place in the order.
        <li key={i} className="flex items-baseline gap-2">
          <span className="quiet w-5 text-right tabular-nums">{i + 1}.</span>
          {locked ? (
            <span>{passWords(pass, choices.currency, names)}</span>
          ) : (
            <span className="flex-1 font-serif text-lg leading-8">
              <Part
                name={`Pass ${i + 1}, how the price comes about`}
                words={formulaWords(pass.formula, choices.currency, names)}
              >
                {() => (
                  <FormulaPart
                    formula={pass.formula}
                    choices={choices}
                    onChange={(formula) => put(i, { ...pass, formula })}
                  />
                )}
              </Part>{' '}
              <Part
                name={`Pass ${i + 1}, goods`}
                words={isNothing(pass.items) ? 'goods to choose' : itemWords(pass.items, names)}
                wide
                startOpen={fresh === i}
              >
                {() => (
                  <Selection<ItemRule>
                    of="items"
                    rule={isNothing(pass.items) ? null : pass.items}
                    choices={choices}
                    wordsOf={(rule) => itemWords(rule, names)}
                    looking={looking}
                    onKnown={onKnown}
                    onChange={(items) => put(i, { ...pass, items })}
                  />
                )}
              </Part>
              {', '}
              <Part
                name={`Pass ${i + 1}, rounding`}
                words={pass.rounding ? roundingWords(pass.rounding, writing()) : 'to the smallest coin'}
              >
                {() => (
                  <RoundingPart
                    rounding={pass.rounding}
                    onChange={(rounding) => {
                      const { rounding: _, ...rest } = pass;
                      put(i, rounding ? { ...rest, rounding } : rest);
                    }}
                  />
                )}
              </Part>
            </span>
          )}
          {locked ? null : (
            <span className="flex-none">
              {i > 0 ? (
                <button
                  type="button"
                  className="btn btn-ghost btn-xs px-1"
                  onClick={() => {
                    const next = [...passes];
                    next.splice(i - 1, 0, ...next.splice(i, 1));
                    onChange(next);
                  }}
                >
                  <ArrowUp size={14} aria-label={`run pass ${i + 1} earlier`} />
                </button>
              ) : null}
              <button
                type="button"
                className="btn btn-ghost btn-xs px-1"
                onClick={() => onChange(passes.filter((_, at) => at !== i))}
              >
                <X size={14} aria-label={`take pass ${i + 1} away`} />
              </button>
            </span>
          )}
        </li>
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

const isNothing = (rule: ItemRule): boolean => 'items' in rule && rule.items.length === 0;

function passWords({ formula, items, rounding }: PassDocument, currency: string, names: Names): string {
  const rounded = rounding ? `, ${roundingWords(rounding, writing())}` : '';
  return `${formulaWords(formula, currency, names)} ${itemWords(items, names)}${rounded}`;
}
