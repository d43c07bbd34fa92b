import type { Person } from '../../contracts/index.ts';
import { type EntryChange, entriesOf, tableOf } from '../../contracts/table/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import type { Fault } from '../../core/plan/index.ts';
import { changesAtOnce, entriesNotTheirs } from '../people/index.ts';
import type {
  CurrentPlan,
  PlanBook,
  StockroomStore,
  WaitingEntryStore,
  WorkRulesStore,
} from '../ports/index.ts';
import { priceEffect } from './price-effect.ts';

/** What changes of the stockroom stand on. */
export interface StockroomPorts {
  readonly book: PlanBook;
  readonly stockroom: StockroomStore;
  readonly rules: WorkRulesStore;
  readonly waiting: WaitingEntryStore;
}

export interface By {
  readonly person: Person;
  readonly action: string;
  readonly now: Instant;
}

export type EntriesWritten =
  | { readonly kind: 'saved'; readonly version: number }
  /** The plan changed after the change was checked; nothing was written. */
  | { readonly kind: 'moved-on' }
  /** Something of it is not for this person to change; nothing was written. */
  | { readonly kind: 'not-theirs'; readonly fault: Fault }
  /** It would change prices that nobody has approved: it waits under this number. */
  | { readonly kind: 'waits'; readonly id: number };

/** Writes a checked change, or holds it for approval where it would change prices and the chain wants that. */
export async function writeEntries(
  ports: Omit<StockroomPorts, 'book'>,
  current: CurrentPlan,
  change: EntryChange,
  { person, action, now }: By,
): Promise<EntriesWritten> {
  const standing = standingEntries(current, change);
  const fault = entriesNotTheirs(person, current.compiled, [...change.puts, ...standing]);
  if (fault) return { kind: 'not-theirs', fault };
  const rules = await ports.rules.current();
  const effect = rules.stockroom && !changesAtOnce(person, rules) ? priceEffect(current, change, now) : null;
  if (!effect)
    return ports.stockroom.change(change, current.version, { person: person.id, action, standing });
  const id = await ports.waiting.hold({ change, standing, effect, writtenBy: person.id });
  return { kind: 'waits', id };
}

/** The entries of a change's keys as they stand. */
export function standingEntries({ document }: CurrentPlan, change: EntryChange): object[] {
  const { keyOf } = tableOf(change.table);
  const keys = new Set([...change.puts.map(keyOf), ...change.drops]);
  return entriesOf(document, change.table).filter((entry) => keys.has(keyOf(entry)));
}
