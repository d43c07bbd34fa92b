import { isDeepStrictEqual } from 'node:util';
import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type WaitingEntriesView,
  writingOf,
} from '../../contracts/index.ts';
import { tableOf, withEntries } from '../../contracts/table/index.ts';
import { checkPlan } from '../../core/plan/index.ts';
import { entriesNotTheirs } from '../people/index.ts';
import type { CurrentPlan, WaitingEntries } from '../ports/index.ts';
import { waitingRows } from './waiting-rows.ts';
import type { StockroomPorts } from './write-entries.ts';
import { standingEntries } from './write-entries.ts';

const ROWS_SHOWN = 60;

/** Changes of the stockroom that wait, newest first, with what they would do. For people of the whole chain who plan. */
export async function listWaitingEntries(
  ports: Pick<StockroomPorts, 'book' | 'waiting' | 'rules'>,
  person: Person,
): Promise<WaitingEntriesView[]> {
  if (!may(person, 'plan')) return [];
  const { another } = await ports.rules.current();
  const current = await ports.book.current();
  return (await ports.waiting.all()).map((one) => viewOf(one, current, person, another));
}

/** Puts a waiting change in its place, sends it back with a reason, or drops it. */
export async function decideEntries(
  ports: StockroomPorts,
  person: Person,
  { id, step, reason }: { id: number; step: 'approve' | 'send-back' | 'drop'; reason: string },
): Promise<Outcome<object>> {
  const found = await ports.waiting.find(id);
  if (!found) return failed({ kind: 'not-found', what: `change ${id}` });
  if (step === 'drop') {
    const own = found.writtenBy === person.id && may(person, 'plan');
    if (!own && !may(person, 'approve')) return failed({ kind: 'forbidden' });
    await ports.waiting.drop(id);
    return done({});
  }
  if (!may(person, 'approve')) return failed({ kind: 'forbidden' });
  const { compiled } = await ports.book.current();
  const fault = entriesNotTheirs(person, compiled, [...found.change.puts, ...found.standing]);
  if (fault) return failed({ kind: 'invalid', faults: [fault] });
  if (step === 'approve') return approveEntries(ports, person, found);
  if (reason.trim() === '')
    return invalid(['reason'], 'nothing stands here', 'a word on what should be otherwise');
  await ports.waiting.sendBack(id, { by: person.name, reason: reason.trim() });
  return done({});
}

/** It is checked against the plan as it stands by now, and against what else became of its rows. */
async function approveEntries(
  ports: StockroomPorts,
  person: Person,
  { id, change, standing, writtenBy, returned }: WaitingEntries,
): Promise<Outcome<object>> {
  const { another } = await ports.rules.current();
  if (another && writtenBy === person.id)
    return invalid([], 'it was written by you', 'somebody else who approves');
  if (returned) return invalid([], 'it was sent back', 'one that waits');
  const current = await ports.book.current();
  if (!isDeepStrictEqual(standingEntries(current, change), standing))
    return invalid([], 'somebody changed some of its rows since', 'it written anew from what stands');
  const faults = checkPlan(withEntries(current.document, change, tableOf(change.table).keyOf));
  if (faults.length > 0) return failed({ kind: 'invalid', faults });
  const by = { person: person.id, action: 'approved', settles: id, standing };
  const saved = await ports.stockroom.change(change, current.version, by);
  return saved.kind === 'saved'
    ? done({})
    : failed({ kind: 'conflict', code: 'plan-moves', bringing: false });
}

function viewOf(
  one: WaitingEntries,
  current: CurrentPlan,
  person: Person,
  another: boolean,
): WaitingEntriesView {
  const { id, change, effect, writer, writtenBy, writtenAt, returned } = one;
  const rows = waitingRows(current, one, writingOf(person));
  const shown = (cells: Readonly<Record<string, string>> | null) =>
    cells && !person.costs
      ? Object.fromEntries(Object.entries(cells).filter(([field]) => field !== 'cost'))
      : cells;
  return {
    id,
    table: change.table,
    effect,
    writer: writer ?? writtenBy,
    own: writtenBy === person.id,
    writtenAt,
    returned,
    approves: may(person, 'approve') && !returned && !(another && writtenBy === person.id),
    drops: may(person, 'approve') || writtenBy === person.id,
    count: rows.length,
    rows: rows
      .slice(0, ROWS_SHOWN)
      .map(({ before, after, ...row }) => ({ ...row, before: shown(before), after: shown(after) })),
  };
}
