export * from './choices.ts';
export * from './selection.tsx';
export * from './use-choices.ts';
