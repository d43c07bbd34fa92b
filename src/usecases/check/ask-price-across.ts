import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type PriceAcross,
  type PriceAcrossRequest,
  sees,
} from '../../contracts/index.ts';
import { parseMoment } from '../../core/calendar/index.ts';
import { formatAmount } from '../../core/money/index.ts';
import { priceAt } from '../../core/price-book/index.ts';
import type { ShopperPorts } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { shopperOf } from './shopper-of.ts';

/**
 * One item's price in every store that the person sees, each at the same wall time of its own clock; stores with the
 * same price and promotion stand together, the most stores first.
 */
export async function askPriceAcross(
  ports: { book: PlanBook } & ShopperPorts,
  person: Person,
  request: PriceAcrossRequest,
): Promise<Outcome<PriceAcross>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  if (!compiled.catalogue.indexOf.has(request.item))
    return failed({ kind: 'not-found', what: `item ${request.item}` });
  const shopper = await shopperOf(ports, request.group, compiled);
  if (!shopper)
    return invalid(
      ['group'],
      `nobody shops as "${request.group}"`,
      'the id of a kind of shopper, or shopper: and a number',
    );
  const wanted = request.stores?.split(',') ?? null;
  const names = new Map(compiled.plan.promotions.map(({ id, name }) => [id, name]));
  const groups = new Map<
    string,
    PriceAcross['prices'][number] & { stores: { id: string; name: string }[] }
  >();
  for (const store of compiled.plan.stores) {
    if (!sees(person, store.id) || (wanted && !wanted.includes(store.id))) continue;
    const clock = compiled.clockOf(store);
    const at = parseMoment(request.at, clock);
    if (at === null)
      return invalid(['at'], `"${request.at}" is no moment`, 'a wall time such as 2027-03-01T09:00');
    const answer = priceAt(compiled, { sku: request.item, store: store.id, at, shopper });
    const price = answer.kind === 'price' ? formatAmount(answer.price, compiled.plan.currency) : null;
    const promotion = answer.kind === 'price' ? (answer.winner?.promotion ?? null) : null;
    const key = `${price ?? (answer.kind === 'problem' ? answer.problem : '')} ${promotion}`;
    const found = groups.get(key) ?? {
      price,
      problem: answer.kind === 'problem' ? answer.problem : null,
      promotion: promotion === null ? null : { id: promotion, name: names.get(promotion) ?? promotion },
      stores: [],
    };
    found.stores.push({ id: store.id, name: store.name });
    groups.set(key, found);
  }
  const at = request.at.slice(0, 16);
  return done({ at, prices: [...groups.values()].sort((a, b) => b.stores.length - a.stores.length) });
}
