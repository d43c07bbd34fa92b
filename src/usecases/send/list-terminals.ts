import {
  type Person,
  type RolloutState,
  sees,
  TERMINALS_SHOWN,
  type TerminalCounts,
  type TerminalRow,
  type TerminalsRequest,
  type TerminalsView,
} from '../../contracts/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { storesOf } from '../../core/selection/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook, SendingStore } from '../ports/index.ts';
import { terminalRow } from './terminal-row.ts';

/** So long after it was noticed everybody who looks at terminals is told that a backup was played back. */
const RESTORE_TOLD_FOR = 14 * 24 * 60 * 60 * 1000;
/** So many of those that a sending waits for are named. */
const NAMED = 5;

/** How the terminals that the person sees stand, by group and store; those that were asked for; the last rollouts. */
export async function listTerminals(
  ports: { book: PlanBook; sending: SendingStore },
  person: Person,
  asked: TerminalsRequest,
  now: number,
): Promise<TerminalsView> {
  const { compiled } = await seenBy(ports.book, person);
  const rows = (await ports.sending.terminals())
    .filter(({ store }) => sees(person, store))
    .map((status) => terminalRow(compiled, status, now));
  const groups = groupsOf(compiled);
  const meant = rows.filter(meantBy(asked, groups));
  const troubledFirst = [
    ...meant.filter(({ trouble }) => trouble !== null),
    ...meant.filter(({ trouble }) => trouble === null),
  ];
  const byStore = rowsByStore(rows);
  const restore = await ports.sending.lastRestore();
  const told = restore !== null && now - Date.parse(restore.at) < RESTORE_TOLD_FOR;
  return {
    restore: told ? restore : null,
    counts: countsOf(rows),
    terminals: troubledFirst.slice(0, asked.most === undefined ? TERMINALS_SHOWN : Number(asked.most)),
    meant: meant.length,
    groups: groups
      .map(({ id, name, stores }) => ({
        ...{ id, name },
        ...countsOf([...stores].flatMap((store) => byStore.get(store) ?? [])),
      }))
      .filter(({ all }) => all > 0),
    stores: [...byStore].map(([id, own]) => storeCounts(id, own, groups)).sort(byTroubled),
    rollout:
      asked.rollout === undefined ? null : await rolloutState(ports.sending, rows, Number(asked.rollout)),
    rollouts: await ports.sending.rollouts(),
  };
}

interface Group {
  readonly id: string;
  readonly name: string;
  readonly stores: ReadonlySet<string>;
}

const groupsOf = ({ plan }: CompiledPlan): readonly Group[] =>
  plan.storeGroups.map(({ id, name }) => ({ id, name, stores: new Set(storesOf({ group: id }, plan)) }));

/** Who looks for one by its name looks among all, and so does who looks at one store. */
function meantBy(
  { group, store, trouble, find = '', all }: TerminalsRequest,
  groups: readonly Group[],
): (row: TerminalRow) => boolean {
  const stores = group === undefined ? null : (groups.find(({ id }) => id === group)?.stores ?? new Set());
  const sought = find.trim().toLowerCase();
  const fineToo = all !== undefined || sought !== '' || store !== undefined;
  return (row) =>
    (stores === null || stores.has(row.store)) &&
    (store === undefined || row.store === store) &&
    (trouble === undefined ? fineToo || row.trouble !== null : row.trouble === trouble) &&
    `${row.terminal} ${row.storeName}`.toLowerCase().includes(sought);
}

function rowsByStore(rows: readonly TerminalRow[]): ReadonlyMap<string, readonly TerminalRow[]> {
  const byStore = new Map<string, TerminalRow[]>();
  for (const row of rows) {
    const own = byStore.get(row.store);
    if (own) own.push(row);
    else byStore.set(row.store, [row]);
  }
  return byStore;
}

function countsOf(rows: readonly TerminalRow[]): TerminalCounts {
  const troubled: Partial<Record<NonNullable<TerminalRow['trouble']>, number>> = {};
  for (const { trouble } of rows) if (trouble !== null) troubled[trouble] = (troubled[trouble] ?? 0) + 1;
  return {
    all: rows.length,
    upToDate: rows.filter(({ trouble }) => trouble === null).length,
    troubled,
  };
}

function storeCounts(
  id: string,
  own: readonly TerminalRow[],
  groups: readonly Group[],
): TerminalsView['stores'][number] {
  const { storeName: name, timeZone } = own[0]!;
  return {
    ...{ id, name, timeZone },
    groups: groups.filter(({ stores }) => stores.has(id)).map((group) => group.id),
    ...countsOf(own),
  };
}

const byTroubled = (a: TerminalsView['stores'][number], b: TerminalsView['stores'][number]): number =>
  b.all - b.upToDate - (a.all - a.upToDate) || a.name.localeCompare(b.name, 'en');

async function rolloutState(
  sending: SendingStore,
  rows: readonly TerminalRow[],
  number: number,
): Promise<RolloutState | null> {
  const stores = new Set(await sending.storesOfRollout(number));
  if (stores.size === 0) return null;
  const concerned = rows.filter(({ store }) => stores.has(store));
  const waiting = concerned.filter(({ holds }) => holds === null || holds < number);
  return {
    number,
    terminals: concerned.length,
    holding: concerned.length - waiting.length,
    waiting: waiting.slice(0, NAMED).map(({ terminal, storeName }) => ({ terminal, storeName })),
  };
}
