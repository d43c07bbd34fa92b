import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import {
  type EntryChange,
  entriesOf,
  joinChanges,
  TABLES,
  type TableName,
  tableOf,
  withEntries,
} from './index.ts';

const keyIn = (table: TableName, entry: object) => tableOf(table).keyOf(entry);
const after = (changes: readonly EntryChange[]) =>
  changes.reduce((document, change) => withEntries(document, change, tableOf(change.table).keyOf), SMALL);
/** Two goods, a new one among them, each with two names. */
const items = ['milk', 'new', 'newer'].flatMap((sku) =>
  ['One', 'Other'].map((name) => ({ sku, name, node: SMALL.nodes[0]!.id })),
);
const prices = ['1.00', '2.00'].flatMap((price) =>
  ['2027-01-01', '2027-02-01'].map((since) => ({ sku: SMALL.items[0]!.sku, price, since })),
);
const changesOf = (table: TableName, entries: readonly object[]): fc.Arbitrary<EntryChange> =>
  fc.record({
    table: fc.constant(table),
    puts: fc.uniqueArray(fc.constantFrom(...entries), { maxLength: 3, selector: (one) => keyIn(table, one) }),
    drops: fc.subarray([...new Set(entries.map((one) => keyIn(table, one)))], { maxLength: 1 }),
  });

describe('changes that are joined', () => {
  it('come to the same as one after another, in the same order', () => {
    const changes = fc.array(
      fc.oneof({ weight: 3, arbitrary: changesOf('items', items) }, changesOf('prices', prices)),
      {
        maxLength: 8,
      },
    );
    // Rows of prices stand in no order: the newest counts.
    const told = (all: readonly EntryChange[]) =>
      after(all).items.map(({ prices: rows, ...item }) => ({
        item,
        rows: rows.map((row) => JSON.stringify(row)).sort(),
      }));
    fc.assert(
      fc.property(changes, (all) => {
        expect(told(joinChanges(all, keyIn))).toEqual(told(all));
      }),
    );
  });

  it.each(TABLES)('of %s are one, however many they were', (table) => {
    const entries = entriesOf(SMALL, table);
    const changes = entries.map((entry) => ({ table, puts: [entry], drops: [] }));
    expect(joinChanges(changes, keyIn)).toHaveLength(Math.min(1, entries.length));
  });

  it('stay two where what goes comes back', () => {
    const [first] = items;
    const joined = joinChanges(
      [
        { table: 'items', puts: [], drops: ['milk'] },
        { table: 'items', puts: [first!], drops: [] },
      ],
      keyIn,
    );
    expect(joined).toHaveLength(2);
  });
});
