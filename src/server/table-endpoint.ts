import type { APIContext } from 'astro';
import { TABLES, type TableName } from '../contracts/table/index.ts';
import { failureReply } from './reply.ts';

/** The table that the address names, or the refusal. */
export function tableOfAddress({ params }: APIContext): { table: TableName } | { refusal: Response } {
  const table = TABLES.find((name) => name === params.table);
  return table ? { table } : { refusal: failureReply({ kind: 'not-found', what: `table ${params.table}` }) };
}
