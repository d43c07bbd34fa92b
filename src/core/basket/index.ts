export * from './basket.ts';
export * from './basket-document.ts';
export * from './read-basket.ts';
export * from './receipt.ts';
export * from './receipt-document.ts';
export { ringBasket, ringingOf } from './ring.ts';
export { ORDINARY_BUDGET } from './search/best-choice.ts';
export * from './second-best.ts';
export { shareOut } from './share-out.ts';
