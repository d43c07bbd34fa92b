import { isDeepStrictEqual } from 'node:util';
import {
  type ChainChanged,
  type ChainRequest,
  type ChainView,
  done,
  failed,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { type PlanDocument, readPlan } from '../../core/plan/index.ts';
import { compile } from '../../core/price-book/index.ts';
import { standingEffect } from '../plan/index.ts';
import type { BasketCheckStore, ChainSettings, ChainStore, CurrentPlan, PlanBook } from '../ports/index.ts';

/** The chain as its settings show it. */
export async function lookAtChain(ports: { book: PlanBook }, person: Person): Promise<Outcome<ChainView>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  return done(viewOf(await ports.book.current()));
}

/** Says how the prices of the whole chain come about, or what another way of that would do to them. */
export async function changeChain(
  ports: { book: PlanBook; chain: ChainStore; checks: BasketCheckStore },
  person: Person,
  { dry = false, ...asked }: ChainRequest,
  now: Instant,
): Promise<Outcome<ChainChanged>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const current = await ports.book.current();
  const moved = (planVersion: number) =>
    failed({ kind: 'conflict', code: 'plan-changed', current: { planVersion } });
  if (asked.planVersion !== current.version) return moved(current.version);
  const settings = settingsOf(asked);
  const next = { ...current, document: { ...current.document, ...settings } };
  if (dry)
    return done({ ...viewOf(next), effect: await effectOf(ports.checks, current, next.document, now) });
  if (isDeepStrictEqual(viewOf(next), viewOf(current))) return done({ ...viewOf(current), effect: null });
  const version = await ports.chain.change(settings, current.version, person.id);
  if (version === null) return moved((await ports.book.current()).version);
  return done({ ...viewOf({ ...next, version }), effect: null });
}

const settingsOf = ({
  name,
  priceChanges,
  baskets,
  marginFloor,
}: Omit<ChainRequest, 'dry'>): ChainSettings => ({
  name,
  policy: { priceChanges, baskets, ...(marginFloor === null ? {} : { marginFloor }) },
});

/** A name and a floor change no price. */
async function effectOf(
  checks: BasketCheckStore,
  { document, compiled }: CurrentPlan,
  next: PlanDocument,
  now: Instant,
): Promise<ChainChanged['effect']> {
  const [was, will] = [policyOf(document), policyOf(next)];
  if (was.priceChanges === will.priceChanges && was.baskets === will.baskets) return null;
  return standingEffect(checks, compiled, compile(readPlan(next)), now);
}

const policyOf = ({ policy = {} }: PlanDocument) => ({
  priceChanges: policy.priceChanges ?? ('priority' as const),
  baskets: policy.baskets ?? ('best' as const),
  marginFloor: policy.marginFloor ?? null,
});

const viewOf = ({ document, version }: Pick<CurrentPlan, 'document' | 'version'>): ChainView => ({
  name: document.name ?? '',
  currency: document.currency,
  ...policyOf(document),
  planVersion: version,
});
