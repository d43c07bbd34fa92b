export * from './basket.ts';
export * from './basket-document.ts';
export * from './read-basket.ts';
export * from './receipt.ts';
export * from './receipt-document.ts';
export { percentOf, priceUnder } from './reduction.ts';
export { ringBasket, ringingOf } from './ring.ts';
export * from './second-best.ts';
export { shareOut } from './share-out.ts';
