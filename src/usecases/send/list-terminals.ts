import { type Person, sees, type TerminalRow, type TerminalsView } from '../../contracts/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { storesOf } from '../../core/selection/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook, SendingStore, TerminalStatus } from '../ports/index.ts';
import { troubleOf } from './terminal-trouble.ts';

/** So long after it was noticed everybody who looks at terminals is told that a backup was played back. */
const RESTORE_TOLD_FOR = 14 * 24 * 60 * 60 * 1000;

/** Every terminal that the person sees with its state, and the last rollouts. */
export async function listTerminals(
  ports: { book: PlanBook; sending: SendingStore },
  person: Person,
  now: number,
): Promise<TerminalsView> {
  const { compiled } = await seenBy(ports.book, person);
  const terminals = (await ports.sending.terminals()).filter(({ store }) => sees(person, store));
  const restore = await ports.sending.lastRestore();
  const told = restore !== null && now - Date.parse(restore.at) < RESTORE_TOLD_FOR;
  return {
    restore: told ? restore : null,
    terminals: terminals.map((status) => terminalRow(compiled, status, now)),
    groups: groupsOf(compiled),
    rollouts: await ports.sending.rollouts(),
  };
}

const groupsOf = ({ plan }: CompiledPlan): TerminalsView['groups'] =>
  plan.storeGroups
    .map(({ id, name }) => ({ id, name, stores: [...storesOf({ group: id }, plan)] }))
    .filter(({ stores }) => stores.length > 0);

export function terminalRow(
  { stores }: Pick<CompiledPlan, 'stores'>,
  status: TerminalStatus,
  now: number,
): TerminalRow {
  const store = stores.get(status.store);
  return {
    ...status,
    storeName: store?.name ?? status.store,
    timeZone: store?.timeZone ?? 'UTC',
    trouble: troubleOf(status, now),
  };
}
