export * from './approval.ts';
export * from './sight.ts';
export * from './work-rules.ts';
