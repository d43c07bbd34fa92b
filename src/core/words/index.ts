export * from './money-words.ts';
export * from './names.ts';
export * from './rule-words.ts';
export { WEEKDAY_NAMES } from './weekdays.ts';
