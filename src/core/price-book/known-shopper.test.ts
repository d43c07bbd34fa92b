import { describe, expect, it } from 'vitest';
import { change, compiled, withPromotions } from '../../../tests/plans/small-plan.ts';
import { parseBasket } from '../../contracts/index.ts';
import { parseMoment } from '../calendar/index.ts';
import type { PromotionDocument } from '../plan/index.ts';
import { ringBasket, wantedUses } from '../receipt/index.ts';
import { knownShopper, priceAt } from './index.ts';

/** A firm by a list of its own among the staff, one of its people with a list beside it, and somebody alone. */
const planOf = (...promotions: PromotionDocument[]) =>
  compiled({
    ...withPromotions(...promotions),
    shoppers: [
      { id: 'clinic', name: 'Harbour Clinic', groups: ['students'], priceList: 'own' },
      { id: 'ann', account: 'clinic' },
      { id: 'bo', account: 'clinic', priceList: 'staff' },
      { id: 'cy', priceList: 'members', pastOrders: 2 },
    ],
  });

function priceFor(plan: ReturnType<typeof planOf>, id: string, sku: string, groups: string[] = []) {
  const store = plan.stores.get('east')!;
  const at = parseMoment('2027-04-14T12:00', plan.clockOf(store))!;
  const answer = priceAt(plan, { sku, store: 'east', at, shopper: knownShopper(plan, id, groups) });
  if (answer.kind === 'problem') return answer.problem;
  return [answer.price, answer.base.list, answer.winner?.promotion ?? null];
}

describe('somebody with terms of their own', () => {
  const plan = planOf();
  it.each<[string, string, string[], unknown[]]>([
    ['by the list of their account', 'ann', [], [2000, 'own', null]],
    ['by the lower of their own and their account’s', 'bo', [], [2000, 'own', null]],
    ['by their own list alone', 'cy', [], [2366, 'members', null]],
    ['by a list of a group that they are of beside the plan', 'cy', ['staff'], [2120, 'staff', null]],
    ['by none whom the plan does not know', 'nobody', [], [2490, null, null]],
  ])('pays %s', (_, id, groups, paid) => {
    expect(priceFor(plan, id, 'milk', groups)).toEqual(paid);
  });

  it('gets what is for their account, and for its groups', () => {
    const named = change('named', { who: { shoppers: ['clinic'] }, formula: { percentOff: 5000 } });
    const grouped = change('grouped', { who: { groups: ['students'] }, formula: { percentOff: 4000 } });
    expect(priceFor(planOf(named), 'ann', 'spray')).toEqual([500, null, 'named']);
    expect(priceFor(planOf(grouped), 'ann', 'spray')).toEqual([600, null, 'grouped']);
    expect(priceFor(planOf(named), 'cy', 'spray')).toEqual([933, 'members', null]);
  });
});

describe('a basket of somebody of an account', () => {
  const once = change('once', { who: { shoppers: ['clinic'] }, uses: { perShopper: 1 } });
  const basketOf = (shopper: string | object, usesSoFar = {}) => {
    const plan = planOf(once);
    const at = '2027-04-14T12:00';
    const lines = [{ sku: 'spray', quantity: 1 }];
    const parsed = parseBasket({ store: 'east', at, shopper, usesSoFar, lines }, plan);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults));
    const receipt = ringBasket(plan, parsed.basket);
    return { receipt, wanted: wantedUses(receipt, parsed.basket, plan) };
  };

  it('is one shopper with the others of it, where a limit counts each shopper', () => {
    expect(basketOf('ann').wanted).toMatchObject([{ key: 'once@clinic', most: 1 }]);
    expect(basketOf({ id: 'bo', groups: [] }).wanted).toMatchObject([{ key: 'once@clinic', most: 1 }]);
    const spent = basketOf('bo', { 'once@clinic': 1 });
    expect([spent.wanted, spent.receipt.lines[0]!.priceChange]).toEqual([[], null]);
  });

  it('tells by which list each price is made', () => {
    expect(basketOf('cy').receipt.lines.map(({ list }) => list)).toEqual(['members']);
    expect(basketOf('ann').receipt.lines.map(({ list }) => list)).toEqual([null]);
  });
});
