import { useState } from 'react';
import type { Choices } from '../../contracts/view/index.ts';
import type { Basis, FormulaDocument } from '../../core/plan/index.ts';
import { FaultField } from '../../ui/pieces/index.ts';
import { inField } from '../../ui/writing/index.ts';
import { basisPointsOf, numberOf } from './typed-numbers.ts';

const WAYS = {
  percentOff: { words: 'a percentage less', unit: '%', percent: true, basis: true },
  amountOff: { words: 'an amount less', unit: null, percent: false, basis: true },
  setTo: { words: 'a set price', unit: null, percent: false, basis: false },
  multiplyBy: { words: 'a price times a factor', unit: '×', percent: false, basis: true },
  addPercent: { words: 'the cost plus a percentage', unit: '%', percent: true, basis: false },
  marginOnPrice: { words: 'a price with this margin', unit: '%', percent: true, basis: false },
} as const;
type Way = keyof typeof WAYS;

const wayOf = (formula: FormulaDocument): Way => (Object.keys(WAYS) as Way[]).find((way) => way in formula)!;

const textOf = (formula: FormulaDocument, way: Way): string => {
  const value = (formula as Record<string, unknown>)[way];
  return inField(WAYS[way].percent ? String(Number(value) / 100) : String(value));
};

/** How the new price comes about. */
export function FormulaPart({
  formula,
  choices,
  onChange,
}: {
  formula: FormulaDocument;
  choices: Choices;
  onChange: (formula: FormulaDocument) => void;
}) {
  const [way, setWay] = useState(wayOf(formula));
  const [text, setText] = useState(textOf(formula, way));
  const [fault, setFault] = useState<string | null>(null);
  const basis = 'basis' in formula ? formula.basis : undefined;
  const put = (nextWay: Way, nextText: string, nextBasis: Basis | undefined) => {
    setWay(nextWay);
    setText(nextText);
    const value = WAYS[nextWay].percent ? basisPointsOf(nextText) : numberOf(nextText);
    setFault(
      value === null
        ? `“${nextText}” is no ${WAYS[nextWay].percent ? 'percentage' : 'amount'}; wanted: a number such as 15 or 2.50`
        : null,
    );
    if (value === null) return;
    const kept =
      WAYS[nextWay].basis && nextBasis !== undefined && nextBasis !== 'base' ? { basis: nextBasis } : {};
    onChange({ ...kept, [nextWay]: value } as FormulaDocument);
  };
  return (
    <span className="block space-y-2 text-sm">
      <label className="block">
        Shoppers pay
        <select
          className="select select-sm mt-0.5 w-full"
          value={way}
          onChange={(event) => put(event.target.value as Way, text, basis)}
        >
          {(Object.keys(WAYS) as Way[]).map((one) => (
            <option key={one} value={one}>
              {WAYS[one].words}
            </option>
          ))}
        </select>
      </label>
      <FaultField
        label={`How much, in ${WAYS[way].unit ?? choices.currency}`}
        value={text}
        fault={fault}
        onChange={(next) => put(way, next, basis)}
      />
      {WAYS[way].basis ? (
        <label className="block">
          Counted from
          <select
            className="select select-sm mt-0.5 w-full"
            value={typeof basis === 'object' ? `list ${basis.priceList}` : (basis ?? 'base')}
            onChange={(event) => put(way, text, basisOf(event.target.value))}
          >
            <option value="base">what this shopper pays without it</option>
            <option value="regular">the regular price</option>
            <option value="cost">the cost</option>
            {choices.priceLists.map(({ id, name }) => (
              <option key={id} value={`list ${id}`}>
                the price list {name}
              </option>
            ))}
          </select>
        </label>
      ) : null}
    </span>
  );
}

const basisOf = (value: string): Basis =>
  value.startsWith('list ') ? { priceList: value.slice('list '.length) } : (value as Basis);
