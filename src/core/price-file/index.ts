export * from './content.ts';
export * from './difference.ts';
