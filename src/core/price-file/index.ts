export * from './content.ts';
export * from './difference.ts';
export * from './manifest.ts';
