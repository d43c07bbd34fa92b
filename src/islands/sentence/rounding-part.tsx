import { useState } from 'react';
import type { RoundingDocument } from '../../core/plan/index.ts';
import { FaultField } from '../../ui/pieces/index.ts';
import { inField } from '../../ui/writing/index.ts';
import { numberOf } from './typed-numbers.ts';

const MODES = { nearest: 'to the nearest', up: 'up to the next', down: 'down to the next' } as const;

/** Rounding to steps, or to price endings. */
export function RoundingPart({
  rounding,
  onChange,
}: {
  rounding: RoundingDocument | undefined;
  onChange: (rounding: RoundingDocument | undefined) => void;
}) {
  const way = !rounding ? 'none' : 'step' in rounding ? 'step' : 'endings';
  const [text, setText] = useState(
    !rounding
      ? '0.05'
      : 'step' in rounding
        ? inField(rounding.step)
        : rounding.endings.map(inField).join(' '),
  );
  const [fault, setFault] = useState<string | null>(null);
  const mode = rounding?.mode ?? 'nearest';
  const put = (nextWay: string, nextText: string, nextMode: RoundingDocument['mode']) => {
    setText(nextText);
    if (nextWay === 'none') return onChange(undefined);
    const numbers = nextText
      .split(/[\s;]+/)
      .filter(Boolean)
      .map(numberOf);
    const right =
      numbers.length > 0 &&
      numbers.every((one) => one !== null) &&
      (nextWay === 'endings' || numbers.length === 1);
    setFault(
      right
        ? null
        : `wanted: ${nextWay === 'step' ? 'one amount such as 0.05' : 'amounts such as 0.49 0.99'}`,
    );
    if (!right) return;
    if (nextWay === 'step') onChange({ step: numbers[0]!, mode: nextMode });
    else
      onChange({
        ...(rounding && 'per' in rounding && rounding.per ? { per: rounding.per } : {}),
        endings: numbers as string[],
        mode: nextMode,
      });
  };
  return (
    <span className="block space-y-2 text-sm">
      <label className="block">
        Round
        <select
          className="select select-sm mt-0.5 w-full"
          value={way}
          onChange={(event) =>
            put(event.target.value, event.target.value === 'endings' ? '0.49 0.99' : '0.05', 'nearest')
          }
        >
          <option value="none">to the smallest coin only</option>
          <option value="step">to steps</option>
          <option value="endings">to price endings</option>
        </select>
      </label>
      {way === 'none' ? null : (
        <>
          <FaultField
            label={way === 'step' ? 'Step' : 'Endings, with a space between'}
            value={text}
            fault={fault}
            onChange={(next) => put(way, next, mode)}
          />
          <label className="block">
            Which way
            <select
              className="select select-sm mt-0.5 w-full"
              value={mode}
              onChange={(event) => put(way, text, event.target.value as RoundingDocument['mode'])}
            >
              {Object.entries(MODES).map(([one, words]) => (
                <option key={one} value={one}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        </>
      )}
    </span>
  );
}
