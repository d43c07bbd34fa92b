export * from './money-words.ts';
export * from './names.ts';
export * from './rule-words.ts';
