import {
  browseRequest,
  chainRequest,
  decideRequest,
  fileRequest,
  may,
  numberOfAddress,
  putEntryRequest,
  stockroomEditRequest,
  writeFileRequest,
} from '../../contracts/index.ts';
import { TABLES, type TableName, tableOf } from '../../contracts/table/index.ts';
import {
  bringIn,
  browseStockroom,
  changeChain,
  changeStockroom,
  decideEntries,
  permissionFor,
  putEntry,
  readItemRule,
  readSheetLines,
  resolveLooking,
} from '../../usecases/index.ts';
import { fileReply } from '../files/write-rows.ts';
import { failureReply, json, outcomeReply } from '../http/reply.ts';
import { bringInReply, matchingOf, NO_MATCHING, newsLine } from './bring-in-reply.ts';
import { type HeavyAsked, onBody, onBytes, onQuery } from './heavy-endpoint-work.ts';

const EVERYTHING = 10_000_000;

/** Does the work on the table that the address names, or says that there is none. */
function onTable<T>(
  work: (asked: HeavyAsked<T>, table: TableName) => Promise<Response>,
): (asked: HeavyAsked<T>) => Promise<Response> {
  return async (asked) => {
    const table = TABLES.find((name) => name === asked.params.table);
    return table
      ? work(asked, table)
      : failureReply({ kind: 'not-found', what: `table ${asked.params.table}` });
  };
}

/** The tables of the stockroom and the files that go in and out of them. */
export const STOCKROOM_ENDPOINTS = {
  'change-chain': onBody(chainRequest, async ({ app, person, input, now }) =>
    outcomeReply(await changeChain(app, person, input, now)),
  ),
  browse: onQuery(
    browseRequest,
    onTable(async ({ app, person, input, now }, table) => {
      const looking = await resolveLooking(app, person, input, now);
      if (!looking.ok) return failureReply(looking.failure);
      const rule =
        input.rule === undefined ? null : readItemRule(parsed(input.rule), await app.book.current());
      if (rule && !rule.ok) return failureReply(rule.failure);
      return json(
        await browseStockroom(app, person, {
          ...looking.value,
          table,
          text: input.q ?? '',
          sort: input.sort ?? null,
          descending: input.desc === '1',
          offset: Number(input.offset ?? 0),
          limit: Number(input.limit ?? 100),
          rule: rule?.value ?? null,
          carried: input.carried === '1',
        }),
      );
    }),
  ),
  /** Changes, adds and drops rows of one table: all of them or none. */
  'change-rows': onBody(
    stockroomEditRequest,
    onTable(async ({ app, person, input, now }, table) =>
      outcomeReply(await changeStockroom(app, person, { table, ...input }, now)),
    ),
  ),
  /** Saves one entry whole, with its rules. */
  'put-entry': onBody(
    putEntryRequest,
    onTable(async ({ app, person, input, params, now }, table) =>
      outcomeReply(await putEntry(app, person, { table, key: params.key!, ...input }, now)),
    ),
  ),
  /** Approves a change that waits, sends it back, or drops it. */
  'decide-entries': onBody(decideRequest, async ({ app, person, input: { step, reason = '' }, params }) => {
    const id = numberOfAddress(params.id!);
    return id === null
      ? failureReply({ kind: 'not-found', what: `change ${params.id}` })
      : outcomeReply(await decideEntries(app, person, { id, step, reason }));
  }),
  /** The rows of a table as a file. */
  'table-file': onQuery(
    fileRequest,
    onTable(async ({ app, person, input, now }, table) => {
      const looking = await resolveLooking(app, person, {}, now);
      if (!looking.ok) return failureReply(looking.failure);
      const { rows } = await browseStockroom(app, person, {
        ...looking.value,
        table,
        text: input.q ?? '',
        sort: null,
        descending: false,
        offset: 0,
        limit: EVERYTHING,
        rule: null,
        carried: false,
        filed: true,
      });
      const columns = tableOf(table).columns.filter(({ shown }) => !shown);
      const cells = rows.map((row) => row.cells);
      return fileReply(table, input.kind, columns, cells);
    }),
  ),
  /**
   * Brings a file in: its bytes are the body. `?dry=1` only tells what it would do; `?matching=` says which column is
   * which field. Answers line by line with how far it is, and last with what came of it.
   */
  'bring-in': onBytes(
    onTable(async ({ app, person, bytes, query, tell, now }, table) => {
      const matching = matchingOf(query.matching ?? null);
      if (matching === undefined) return failureReply(NO_MATCHING);
      // A file is not opened for somebody who may not bring it in.
      if (!may(person, permissionFor(table))) return failureReply({ kind: 'forbidden' });
      const read = await app.readFile(bytes);
      if (!read.ok) return failureReply(read.failure);
      const outcome = await bringIn(app, person, {
        ...read.value,
        table,
        matching,
        dry: query.dry === '1',
        now,
        onProgress: async (stage, done, of) => tell(newsLine({ kind: 'progress', stage, done, of })),
      });
      return bringInReply(outcome);
    }),
  ),
  /** The lines of a worksheet out of a file, whose bytes are the body. Nothing is saved. */
  'sheet-lines': onBytes(async ({ app, bytes }) => {
    const read = await app.readFile(bytes);
    return read.ok ? json(await readSheetLines(app, read.value)) : failureReply(read.failure);
  }),
  /** Rows that stand on a page, as a file. */
  'write-file': onBody(writeFileRequest, async ({ input: { name, kind, columns, rows } }) =>
    fileReply(name, kind, columns, rows),
  ),
} as const;

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
};
