import type { Matching } from '../../contracts/index.ts';
import type { Column } from '../../contracts/table/index.ts';

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{Letter}\p{Number}]+/gu, ' ')
    .trim();

/** Guesses which column of a file is which field: by the field's own name, its title, or what others call it. */
export function guessMatching(heads: readonly string[], columns: readonly Column[]): Matching {
  const taken = new Set<string>();
  const matching: Record<string, string> = {};
  const ways = [
    (column: Column) => [column.field],
    (column: Column) => [column.title],
    (column: Column) => column.also ?? [],
  ];
  for (const namesOf of ways) {
    for (const column of columns) {
      if (column.shown || taken.has(column.field)) continue;
      const names = namesOf(column).map(plain);
      const head = heads.find((one) => matching[one] === undefined && names.includes(plain(one)));
      if (head === undefined) continue;
      matching[head] = column.field;
      taken.add(column.field);
    }
  }
  return matching;
}

/** What a matching lacks for the rows to be read at all. */
export function missingColumns(
  matching: Matching,
  columns: readonly Column[],
  heads: readonly string[],
): string[] {
  const matched = new Set(Object.values(matching));
  return columns
    .filter(({ field, key, required }) => key && required && !matched.has(field))
    .map(
      ({ title }) =>
        `No column of the file is the ${title.toLowerCase()}; its columns are ${heads.filter(Boolean).join(', ')}. Say below which one it is.`,
    );
}
