export * from './aim.ts';
export * from './aims.ts';
