export * from './bell.tsx';
export * from './choice-row.tsx';
export * from './fault-field.tsx';
export * from './part.tsx';
export * from './phase-mark.tsx';
export * from './pick-list.tsx';
export * from './price-tag.tsx';
