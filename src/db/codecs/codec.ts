import type { PgTable } from 'drizzle-orm/pg-core';
import type { AmountColumn } from './amount-column.ts';
import type { Target } from './rule-targets.ts';

/**
 * How the entries of one part of a plan stand in a table: the one place to change where an entry gets a new field.
 * Reading, writing the whole plan and writing single entries all go by it.
 */
export interface Codec<E extends object = object> {
  readonly table: PgTable;
  /** The columns that tell a row from the others, in the order of the parts of an entry's key. */
  readonly key: readonly string[];
  /** Columns that are the database's own: a change of the entry leaves them as they are. */
  readonly own?: readonly string[];
  /** The field in which entries may name others of the same table, which must be there before them. */
  readonly parents?: 'parent' | 'account';
  /** New ones come after all that are there. */
  readonly ordered?: true;
  toRow(entry: E, money: AmountColumn): object;
  /** Back again: what was not given is not there. */
  toEntry(row: object, money: AmountColumn): E;
  /** What its rules name, to be kept as foreign keys too. */
  readonly names?: {
    readonly owner: 'ofPromotion' | 'ofItemSet' | 'ofStoreGroup' | 'ofRange';
    targets(entry: E): readonly Target[];
  };
}

/** A codec whose rows are typed by its table. */
export const codec = <E extends object, T extends PgTable>(
  of: Omit<Codec<E>, 'table' | 'toEntry'> & {
    readonly table: T;
    toEntry(row: T['$inferSelect'], money: AmountColumn): E;
  },
): Codec<E> => of;
