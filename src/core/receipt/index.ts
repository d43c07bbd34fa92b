export * from './basket.ts';
export * from './basket-document.ts';
export * from './read-basket.ts';
export * from './receipt.ts';
export * from './receipt-document.ts';
export { ringBasket } from './ring.ts';
export { ringingOf } from './ringing.ts';
export * from './second-best.ts';
export { isUnitOffer, judgedRoom } from './unit-offers.ts';
