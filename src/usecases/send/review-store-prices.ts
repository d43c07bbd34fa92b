import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  type StorePricesReview,
  sees,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { changedPrices } from '../../core/consequences/index.ts';
import { readPlan } from '../../core/plan/index.ts';
import { compile } from '../../core/price-book/index.ts';
import { changedPriceViews } from '../plan/index.ts';
import type { HeldBackStore, PlanBook, SendingStore } from '../ports/index.ts';
import { sentContent } from './sent-content.ts';
import { comparedStore } from './store-comparison.ts';

type Ports = { book: PlanBook; heldBack: HeldBackStore; sending: SendingStore };

/** The prices of a store that what would be sent changes, beside those that its terminals were sent last. */
export async function reviewStorePrices(
  ports: Ports,
  person: Person,
  store: string,
  now: Instant,
): Promise<Outcome<StorePricesReview>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await ports.book.current();
  if (!current.compiled.stores.has(store) || !sees(person, store))
    return failed({ kind: 'not-found', what: `store ${store}` });
  const entry = await comparedStore(ports, current, store, now);
  const number = await ports.sending.newestNumber(store);
  const sent = number === null ? null : await sentContent(ports.sending, store, number);
  const { promotions, items } = entry.difference;
  const before = sent && compile(readPlan(sent.plan));
  const after = compile(readPlan(entry.plan));
  const all = changedPrices(before, after, store, now, {
    promotions: new Set([...promotions.added, ...promotions.changed, ...promotions.gone]),
    items: new Set([...items.added, ...items.changed, ...items.gone]),
  });
  const names = new Map(
    [...(sent?.plan.promotions ?? []), ...entry.plan.promotions].map(({ id, name }) => [id, name]),
  );
  return done({
    store,
    sent: sent?.number ?? null,
    total: all.length,
    prices: changedPriceViews(all, {
      currency: after.plan.currency,
      clock: after.clockOf(after.stores.get(store)!),
      now,
      nameOf: (id) => names.get(id) ?? id,
    }),
  });
}
