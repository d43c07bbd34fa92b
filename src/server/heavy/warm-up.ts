import type { Person } from '../../contracts/index.ts';
import { formatMoment, type Instant } from '../../core/calendar/index.ts';
import { askPrice } from '../../usecases/index.ts';
import type { Ports } from '../standing/ports.ts';

const OURSELVES: Person = {
  id: 'warm-up',
  name: '',
  email: '',
  role: 'viewer',
  costs: true,
  stores: null,
};
/** Enough questions for what is asked most often to be compiled. */
const ASKED = 40;

/**
 * Asks some prices before anybody does: what is worked out once for a plan is there then, and the first person of the
 * morning waits no longer than the second. A database that is away is left to the first question.
 */
export async function warmUp(
  { book, shoppers }: Pick<Ports, 'book' | 'shoppers'>,
  now: Instant,
): Promise<void> {
  const { compiled } = await book.current();
  const [store] = compiled.plan.stores;
  if (!store) return;
  const at = formatMoment(now, compiled.clockOf(store));
  // Whoever is of one store is shown a plan of their own, which is another thing to make.
  const ofAStore: Person = { ...OURSELVES, costs: false, stores: [store.id] };
  for (const person of [OURSELVES, ofAStore])
    for (const { sku } of compiled.catalogue.items.slice(0, ASKED))
      await askPrice({ book, shoppers }, person, { store: store.id, item: sku, at });
}
