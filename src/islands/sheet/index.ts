export { fromClipboard, toClipboard } from './clipboard.ts';
export * from './sheet.tsx';
