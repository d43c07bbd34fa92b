import {
  type BeginChainRequest,
  done,
  failed,
  may,
  type Outcome,
  type Person,
  parsePlan,
} from '../../contracts/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { PlanWriter, WorkRulesStore } from '../ports/index.ts';

/** Begins a chain of one store, where there is none: the rest is added to it, by one alone to begin with. */
export async function beginChain(
  ports: { writer: PlanWriter; rules: WorkRulesStore },
  person: Person,
  { currency, store }: BeginChainRequest,
): Promise<Outcome<object>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const document: PlanDocument = {
    ...{ format: 'bell-tag-plan', version: 1, currency: currency.toUpperCase() },
    ...{ nodes: [], items: [], stores: [store], promotions: [] },
  };
  const parsed = parsePlan(document);
  if (!parsed.ok) return failed({ kind: 'invalid', faults: parsed.faults });
  if (!(await ports.writer.begin(document, person.id)))
    return failed({ kind: 'conflict', code: 'chain-begun' });
  // Who enters the first goods has nobody yet who could approve their prices.
  await ports.rules.change(() => ({ another: true, stockroom: false }), person.id);
  return done({});
}
