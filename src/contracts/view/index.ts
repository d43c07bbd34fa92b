/** What pages show. Free of Joi, so that the browser may load it. */
export { isPriceChange } from '../../core/plan/index.ts';
export * from './basket-check.ts';
export * from './bring-in.ts';
export * from './calendar.ts';
export * from './choices.ts';
export * from './deal-preview.ts';
export * from './grid.ts';
export * from './item.ts';
export * from './lens.ts';
export * from './life.ts';
export * from './plan-finding.ts';
export * from './replies.ts';
export * from './roles.ts';
export * from './stockroom.ts';
export * from './timeline.ts';
export * from './today.ts';
export * from './trial-basket.ts';
