import type { ChainWords } from '../../contracts/view/index.ts';
import type { ConditionsDocument } from '../../core/plan/index.ts';
import { KeptField, WordsChoice } from '../../ui/pieces/index.ts';
import { listOf, numberOf } from '../sentence/typed-numbers.ts';

const LISTS = {
  payments: 'Paid by one of these',
  deliveries: 'Delivered in one of these ways',
  regions: 'To one of these regions',
  linkTags: 'Come by a link tagged',
} as const;
export const NO_WORDS = 'The chain keeps none; an administrator adds them in the stockroom.';
const NUMBERS = {
  minWeight: 'From so many kg on',
  maxWeight: 'Up to so many kg',
  minLifetimeSpend: 'Having spent so much before',
} as const;
const COUNTS = {
  minPastOrders: 'After so many orders',
  maxPastOrders: 'After at most so many orders; 0 is the first',
} as const;

const ordersOf = (text: string): number | null => (/^\d{1,6}$/.test(text.trim()) ? Number(text) : null);
const keysOf = <T extends object>(table: T) => Object.keys(table) as (keyof T)[];

/** What a reward asks beside the goods. Nothing typed asks nothing. */
export function ConditionFields({
  conditions,
  words,
  onChange,
}: {
  conditions: ConditionsDocument;
  /** The chain's own: they are chosen, not typed. */
  words: ChainWords;
  onChange: (conditions: ConditionsDocument) => void;
}) {
  const put = (key: keyof ConditionsDocument, value: string[] | string | number | null) => {
    const { [key]: _, ...rest } = conditions;
    const nothing = value === null || (Array.isArray(value) && value.length === 0);
    onChange((nothing ? rest : { ...rest, [key]: value }) as ConditionsDocument);
  };
  return (
    <span className="block space-y-2">
      {keysOf(LISTS).map((key) => (
        <WordsChoice
          key={key}
          label={LISTS[key]}
          known={words[key].map((value) => ({ value, words: value }))}
          chosen={conditions[key] ?? []}
          none={NO_WORDS}
          onChange={(list) => put(key, list)}
        />
      ))}
      <KeptField
        label="To postcodes that begin with, with commas between"
        text={conditions.postcodes?.join(', ') ?? ''}
        inputMode="text"
        optional
        reading={{ read: listOf, wanted: 'beginnings of postcodes with commas between' }}
        onChange={(list) => put('postcodes', list)}
      />
      {keysOf(NUMBERS).map((key) => (
        <KeptField
          key={key}
          label={NUMBERS[key]}
          text={conditions[key] ?? ''}
          optional
          reading={{ read: numberOf, wanted: 'a number such as 2.5, or nothing' }}
          onChange={(number) => put(key, number)}
        />
      ))}
      {keysOf(COUNTS).map((key) => (
        <KeptField
          key={key}
          label={COUNTS[key]}
          text={String(conditions[key] ?? '')}
          inputMode="numeric"
          optional
          reading={{ read: ordersOf, wanted: 'a whole number, or nothing' }}
          onChange={(count) => put(key, count)}
        />
      ))}
    </span>
  );
}
