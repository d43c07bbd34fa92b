import type { ConditionsDocument } from '../../../core/plan/index.ts';
import { KeptField } from '../../../ui/pieces/index.ts';
import { listOf, numberOf } from '../typed-numbers.ts';

const LISTS = {
  payments: 'Paid by one of these',
  deliveries: 'Delivered in one of these ways',
  regions: 'To one of these regions',
  postcodes: 'To postcodes that begin with',
  linkTags: 'Come by a link tagged',
} as const;
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
  onChange,
}: {
  conditions: ConditionsDocument;
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
        <KeptField
          key={key}
          label={LISTS[key]}
          text={conditions[key]?.join(', ') ?? ''}
          inputMode="text"
          optional
          reading={{ read: listOf, wanted: 'words with commas between' }}
          onChange={(list) => put(key, list)}
        />
      ))}
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
