import type { PlanDocument } from '../../core/plan/index.ts';
import * as t from '../schema/index.ts';
import { codec } from './codec.ts';
import { present } from './present.ts';

type ShopperGroup = NonNullable<PlanDocument['shopperGroups']>[number];
type Shopper = NonNullable<PlanDocument['shoppers']>[number];

export const shopperGroups = codec<ShopperGroup, typeof t.shopperGroup>({
  table: t.shopperGroup,
  key: ['id'],
  toRow: ({ cards, joining, ...group }) => ({ ...group, cards: cards ?? null, joining: joining ?? null }),
  toEntry: (row) => present(row) as ShopperGroup,
});

/** Which groups somebody is of stands in a table of its own. */
export const shoppers = codec<Omit<Shopper, 'groups'>, typeof t.shopper>({
  table: t.shopper,
  key: ['id'],
  parents: 'account',
  toRow: ({ id, name, account, priceList, pastOrders, lifetimeSpend }, money) => ({
    ...{ id, name, account, priceList },
    pastOrders,
    lifetimeSpend: lifetimeSpend === undefined ? null : money.toColumn(lifetimeSpend),
  }),
  toEntry: ({ lifetimeSpend, ...row }, money) =>
    present({
      ...row,
      lifetimeSpend: lifetimeSpend === null ? null : money.toText(lifetimeSpend),
    }) as Shopper,
});
