export * from './connect.ts';
export * from './errors.ts';
export * from './repositories/load-plan.ts';
export * from './repositories/plan-repository.ts';
export * from './repositories/plan-version.ts';
export * from './repositories/promotion-repository.ts';
export * from './repositories/sending-repository.ts';
export * from './repositories/stockroom-repository.ts';
export * as schema from './schema/index.ts';
