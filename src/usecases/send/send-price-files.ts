import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { isEmpty } from '../../core/price-file/index.ts';
import type { HeldBackStore, PlanBook, PriceFileMaker, SendingStore } from '../ports/index.ts';
import { PlanMovedOn } from './make-price-files.ts';
import { sendStores } from './send-stores.ts';
import type { StoreComparison } from './store-comparison.ts';

export interface SendOrder {
  /** Null: every store with something to send. */
  readonly stores: readonly string[] | null;
  /** The version that was reviewed: nothing else goes out. */
  readonly planVersion: number;
  /** What was held back when it was reviewed. */
  readonly held: readonly string[];
}

/** Makes and signs a price file for each store with something new; its terminals take them by themselves. */
export async function sendPriceFiles(
  ports: {
    book: PlanBook;
    compare: StoreComparison;
    sending: SendingStore;
    heldBack: HeldBackStore;
    maker: PriceFileMaker;
  },
  person: Person,
  order: SendOrder,
  now: Instant,
): Promise<Outcome<{ rollout: number | null; stores: number }>> {
  if (!may(person, 'send')) return failed({ kind: 'forbidden' });
  const current = await ports.book.current();
  if (current.version !== order.planVersion) {
    return failed({ kind: 'conflict', code: 'review-is-old', of: 'plan' });
  }
  const held = (await ports.heldBack.all()).map(({ promotion }) => promotion);
  if (held.length !== order.held.length || !held.every((id) => order.held.includes(id))) {
    return failed({ kind: 'conflict', code: 'review-is-old', of: 'held-back' });
  }
  const open = (await ports.compare(current, now)).filter(({ difference }) => !isEmpty(difference));
  const chosen = order.stores === null ? open : open.filter(({ store }) => order.stores!.includes(store.id));
  if (chosen.length === 0) return done({ rollout: null, stores: 0 });
  try {
    return done(
      await sendStores(ports, {
        person: person.id,
        reason: 'sent',
        version: current.version,
        chosen,
        held,
        now,
      }),
    );
  } catch (error) {
    if (error instanceof PlanMovedOn) return failed({ kind: 'conflict', code: 'review-is-old', of: 'plan' });
    throw error;
  }
}
