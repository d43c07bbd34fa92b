import { KEY_MARK } from '../../contracts/table/index.ts';
import type { ItemRule } from '../../core/plan/index.ts';
import type { Refusal } from '../server/index.ts';
import { type SortedBy, sortedBy } from '../sheet/sorted-by.ts';

/** How a table of the stockroom is looked at, and what was done to it last. */
export interface TableDesk {
  readonly text: string;
  readonly sort: SortedBy;
  /** Only these goods; null: all. */
  readonly rule: ItemRule | null;
  readonly adding: boolean;
  /** The rows that are chosen. */
  readonly held: { readonly first: number; readonly last: number };
  readonly last: LastDone;
}

/** What became of what was done last. */
export type LastDone =
  | { readonly kind: 'nothing' }
  | {
      readonly kind: 'said';
      readonly words: string /** The one row that was added. */;
      readonly added: string | null;
    }
  /** It waits for approval. */
  | { readonly kind: 'held-back' }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

export type TableEvent =
  | { readonly type: 'searched'; readonly text: string }
  | { readonly type: 'sorted'; readonly field: string }
  | { readonly type: 'narrowed'; readonly rule: ItemRule | null }
  | { readonly type: 'held'; readonly rows: TableDesk['held'] }
  | { readonly type: 'adding'; readonly on: boolean }
  | { readonly type: 'asked' }
  | { readonly type: 'added'; readonly keys: readonly string[]; readonly waits: boolean }
  | { readonly type: 'taken-away'; readonly words: string; readonly waits: boolean }
  | { readonly type: 'refused'; readonly refusal: Refusal };

export const TABLE_DESK: TableDesk = {
  text: '',
  sort: null,
  rule: null,
  adding: false,
  held: { first: 0, last: 0 },
  last: { kind: 'nothing' },
};

export function tableDeskAfter(desk: TableDesk, event: TableEvent): TableDesk {
  switch (event.type) {
    case 'searched':
      return { ...desk, text: event.text };
    case 'sorted':
      return { ...desk, sort: sortedBy(desk.sort, event.field) };
    case 'narrowed':
      return { ...desk, rule: event.rule };
    case 'held':
      return { ...desk, held: event.rows };
    case 'adding':
      return { ...desk, adding: event.on };
    case 'asked':
      return { ...desk, last: { kind: 'nothing' } };
    case 'added':
      return { ...desk, adding: false, last: event.waits ? { kind: 'held-back' } : addedWords(event.keys) };
    case 'taken-away':
      return {
        ...desk,
        last: event.waits ? { kind: 'held-back' } : { kind: 'said', words: event.words, added: null },
      };
    case 'refused':
      return { ...desk, last: { kind: 'refused', refusal: event.refusal } };
  }
}

function addedWords(keys: readonly string[]): LastDone {
  const [only] = keys;
  const one = keys.length === 1 && !only!.includes(KEY_MARK) ? only! : null;
  return { kind: 'said', words: `Added: ${keys.join(', ').replaceAll(KEY_MARK, ' ').trim()}.`, added: one };
}

/** Where rows as they are looked at are asked for. */
export function rowsPath(
  table: string,
  { text, sort, rule }: { text: string } & Pick<TableDesk, 'sort' | 'rule'>,
  { store, at, carried }: { store: string; at: string; carried: boolean },
): string {
  const query = new URLSearchParams({ store, at });
  if (text) query.set('q', text);
  if (sort) query.set('sort', sort.field);
  if (sort?.descending) query.set('desc', '1');
  if (carried) query.set('carried', '1');
  if (rule) query.set('rule', JSON.stringify(rule));
  return `/api/stockroom/${table}?${query}`;
}
