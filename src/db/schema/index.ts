export * from './goods.ts';
export * from './kept.ts';
export * from './people.ts';
export * from './places.ts';
export * from './promotions.ts';
export * from './rule-references.ts';
export * from './sending.ts';
export * from './shoppers.ts';
