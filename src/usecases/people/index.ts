export * from './approval.ts';
export * from './list-people.ts';
export * from './manage-people.ts';
export * from './sessions.ts';
export * from './set-password.ts';
export * from './sight.ts';
export * from './work-rules.ts';
