import { type BringInView, type ChangedCell, PEOPLE_COLUMNS } from '../../contracts/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { countedByColumn, emptiedFirst } from '../stockroom/index.ts';
import type { PersonMatched } from './match-people.ts';

/** As many are shown one by one; the columns count all. */
const CELLS_TOLD = 300;

/** What a file changes of those who are known, what it empties first. */
export function changedPeople(
  changed: readonly PersonMatched[],
  { plan }: CompiledPlan,
): Pick<BringInView, 'cells' | 'columns'> {
  const names = new Map(plan.shopperGroups.map(({ id, name }) => [id, name]));
  const kinds = (groups: readonly string[]) => groups.map((id) => names.get(id) ?? id).join('; ');
  const title = (field: string) => PEOPLE_COLUMNS.find((column) => column.field === field)!.title;
  const cells = changed.flatMap(({ line, id, before, after, card }): ChangedCell[] => {
    const label = after.name ?? before?.name ?? `number ${id}`;
    const sides = [
      [title('name'), before?.name ?? '', after.name ?? ''],
      [title('email'), before?.email ?? '', after.email ?? ''],
      [title('groups'), kinds(before?.groups ?? []), kinds(after.groups)],
      [title('card'), '', card === null ? '' : `one more, …${card.slice(-4)}`],
    ] as const;
    return sides
      .filter(([, was, is]) => was !== is)
      .map(([column, was, is]) => ({ line, label, column, before: was, after: is }));
  });
  return { cells: cells.toSorted(emptiedFirst).slice(0, CELLS_TOLD), columns: countedByColumn(cells) };
}
