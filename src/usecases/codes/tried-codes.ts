import { type Person, sees, type TriedCodes } from '../../contracts/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import type { CodeStore } from '../ports/index.ts';
import { TILL } from '../vouch/index.ts';

/** More wrong codes in a day than slips of the finger. */
const MUCH = 20;

/** Tills of this person's stores at which many wrong codes were tried within a day, the most first. */
export async function triedCodes(
  { codes }: { codes: CodeStore },
  person: Person,
  { plan, stores }: CompiledPlan,
  now: number,
): Promise<readonly TriedCodes[]> {
  const storeOf = new Map(plan.terminals.map(({ id, store }) => [id, store]));
  const tried = await codes.triedMuch(MUCH, new Date(now));
  return tried.flatMap(({ who, wrong }) => {
    const terminal = who.startsWith(TILL) ? who.slice(TILL.length) : null;
    const store = terminal === null ? undefined : storeOf.get(terminal);
    if (terminal === null || store === undefined || !sees(person, store)) return [];
    return [{ terminal, storeName: stores.get(store)?.name ?? store, wrong }];
  });
}
