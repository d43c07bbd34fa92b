import { done, failed, type Outcome, type Person, type TermsRequest } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import type { ShopperPorts } from '../known/index.ts';
import { maySeeShoppers } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import { changeStockroom, type StockroomPorts } from '../stockroom/index.ts';

/**
 * Tells the plan of somebody: by number, with the account that they belong to and a price list of their own. From then on
 * promotions can name them. It is a change of the plan like any other, and may wait for approval.
 */
export async function giveTerms(
  ports: StockroomPorts & ShopperPorts,
  person: Person,
  id: string,
  { account, priceList }: TermsRequest,
  now: Instant,
): Promise<Outcome<{ waits: number | null }>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  const inPlan = compiled.shoppers.has(id);
  if (!inPlan && !(await ports.shoppers.person(id)))
    return failed({ kind: 'not-found', what: `shopper ${id}` });
  const cells = { ...(inPlan ? {} : { id }), account: account ?? '', priceList: priceList ?? '' };
  const edit = { key: inPlan ? id : null, cells };
  const changed = await changeStockroom(ports, person, { table: 'shoppers', edits: [edit], drops: [] }, now);
  return changed.ok ? done({ waits: changed.value.waits }) : changed;
}
