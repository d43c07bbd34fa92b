import { done, type Outcome, type Person } from '../../contracts/index.ts';
import { knownAs, type ShopperPorts, shopperSaid } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { theirPerson } from './keep-shopper.ts';

const ALL = 1_000_000;

/** All that is kept of somebody, for them to have. */
export async function takeOutShopper(
  ports: ShopperPorts & { readonly book: PlanBook },
  person: Person,
  id: string,
): Promise<Outcome<object>> {
  const found = await theirPerson(ports, person, id);
  if (!found.ok) return found;
  const known = found.value;
  const { document, compiled } = await seenBy(ports.book, person);
  return done({
    ...known,
    pricedAs: shopperSaid(knownAs(compiled, id, known), compiled),
    plan: (document.shoppers ?? []).find((one) => one.id === id) ?? null,
    receipts: await ports.shoppers.orders(id, ALL),
  });
}
