export * from './last-at.ts';
export * from './recurrence.ts';
export { isRepeatFault, type RepeatFault } from './recurrence-rule.ts';
export * from './repeat.ts';
export * from './schedule.ts';
export * from './span.ts';
export * from './wall-time.ts';
export * from './window.ts';
export * from './zone-clock.ts';
