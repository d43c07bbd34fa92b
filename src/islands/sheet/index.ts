export { fromClipboard, nearClipboard, toClipboard } from './clipboard.ts';
export * from './sheet.tsx';
export type * from './sheet-props.ts';
export * from './sorted-by.ts';
