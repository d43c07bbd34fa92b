export * from './card-number.ts';
export * from './group-of-card.ts';
