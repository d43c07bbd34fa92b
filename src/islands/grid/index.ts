export * from './grid.tsx';
export * from './node-choice.tsx';
