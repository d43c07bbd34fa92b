export * from './begin-deal.ts';
export * from './deal-beside.tsx';
export * from './deal-form.tsx';
