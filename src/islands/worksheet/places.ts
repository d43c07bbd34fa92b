import type { Choices } from '../../contracts/view/index.ts';
import { placeParts, type SheetLine } from '../../core/worksheet/index.ts';
import { dateWords } from '../../ui/writing/index.ts';

const stores = (count: number): string => `${count} ${count === 1 ? 'store' : 'stores'}`;

/** Where a line counts, by name: "The Isles, 6 stores". */
export function placeNames(choices: Pick<Choices, 'zones' | 'stores'>): (line: SheetLine) => string {
  const zones = new Map(choices.zones.map(({ id, name }) => [id, name]));
  const single = new Map(choices.stores.map(({ id, name }) => [id, name]));
  return (line) => {
    const { kind, id } = placeParts(line.place);
    const name =
      kind === 'store'
        ? (single.get(id) ?? id)
        : `${kind === 'zone' ? (zones.get(id) ?? id) : 'The chain'}, ${stores(line.stores)}`;
    return line.since === null ? name : `${name}, from ${dateWords(line.since)}`;
  };
}
