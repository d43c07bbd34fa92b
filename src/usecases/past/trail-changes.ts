import { type Person, type TrailChange, writingOf } from '../../contracts/index.ts';
import { type Cells, type EntryChange, type TableName, tableOf } from '../../contracts/table/index.ts';
import type { ItemRule, PromotionDocument, StoreRule } from '../../core/plan/index.ts';
import { type Difference, itemWords, type Names, namesOf, storeWords } from '../../core/sentence/index.ts';
import { differencesSeen } from '../plan/index.ts';
import type { CurrentPlan, TrailEntry } from '../ports/index.ts';
import { plainRows } from '../stockroom/index.ts';

/** So many rows of one change are shown; it says how many there are. */
const ROWS_SHOWN = 20;

/** What a promotion said before and after. */
export function promotionChanges(
  { before, after }: TrailEntry,
  { document }: CurrentPlan,
  person: Person,
): TrailChange[] {
  const [was, is] = [before, after] as (PromotionDocument | null)[];
  if (!was || !is) return [];
  const differences = differencesSeen(was, is, document, person);
  return differences.length === 0 ? [] : [{ label: is.name, how: 'changed', differences }];
}

/** What rows of a table said before and after. */
export function rowChanges(
  { subject, before, after }: TrailEntry,
  { document }: CurrentPlan,
  person: Person,
): TrailChange[] {
  const change = { table: subject as TableName, ...(after as object) } as EntryChange;
  const standing = (before as { entries: object[] } | null)?.entries ?? null;
  const table = tableOf(change.table);
  const shown = {
    ...change,
    puts: change.puts.slice(0, ROWS_SHOWN),
    drops: change.drops.slice(0, ROWS_SHOWN - Math.min(ROWS_SHOWN, change.puts.length)),
  };
  const said = sayingRules(namesOf(document, writingOf(person)));
  return plainRows(document, shown, standing ?? []).map((row): TrailChange => {
    const cells = (side: Cells | null) => (field: string) => said(change.table, field, side?.[field] ?? '');
    const [was, is] = [cells(row.before), cells(row.after)];
    const differences = table.columns
      .filter(({ field, key }) => !key && (field !== 'cost' || person.costs))
      .map(({ field, title }): Difference => ({ what: title, before: was(field), after: is(field) }))
      .filter((one) => one.before !== one.after);
    // What was written before it was kept what stood: nobody can say whether it is new.
    const isNew = row.before === null && standing !== null;
    return { label: row.label, how: !row.after ? 'gone' : isNew ? 'new' : 'changed', differences };
  });
}

/** Rules stand in these cells as JSON: people read them in words. */
const RULES: Partial<Record<TableName, Readonly<Record<string, 'items' | 'stores' | 'list'>>>> = {
  itemSets: { rule: 'items', frozen: 'list' },
  storeGroups: { rule: 'stores' },
  ranges: { stores: 'stores', items: 'items' },
};

const sayingRules =
  (names: Names) =>
  (table: TableName, field: string, text: string): string => {
    const kind = RULES[table]?.[field];
    if (!kind || text === '') return text;
    const rule: unknown = JSON.parse(text);
    if (kind === 'items') return itemWords(rule as ItemRule, names);
    if (kind === 'stores') return storeWords(rule as StoreRule, names);
    return Array.isArray(rule) ? `${rule.length} by list` : 'yes';
  };
