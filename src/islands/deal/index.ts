export * from './deal-beside.tsx';
export * from './deal-form.tsx';
