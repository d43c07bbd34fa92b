export { itemSets, items, listPrices, nodes, priceLists, prices } from './goods.ts';
export { ranges, storeGroups, stores, terminals, zones } from './places.ts';
export { promotions } from './promotions.ts';
export { shopperGroups, shoppers } from './shoppers.ts';
