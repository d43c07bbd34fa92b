import { PEOPLE, PEOPLE_COLUMNS } from '../../contracts/index.ts';
import { type Column, type TableName, tableOf } from '../../contracts/table/index.ts';

/** What goes in and out of files: a table of the plan, or the people whom the chain knows. */
export type FiledName = TableName | typeof PEOPLE;

export interface Filed {
  readonly title: string;
  readonly columns: readonly Column[];
  /** Where its file comes from and goes to. */
  readonly path: string;
}

export const filedOf = (name: FiledName): Filed =>
  name === PEOPLE
    ? { title: 'Known shoppers', columns: PEOPLE_COLUMNS, path: '/api/shoppers/people' }
    : { ...tableOf(name), path: `/api/stockroom/${name}/file` };
