export * from './basket-check.ts';
export * from './deal-kind.ts';
export * from './finding.ts';
export * from './lost-reason.ts';
export * from './phase.ts';
export * from './price-file.ts';
export * from './role.ts';
export * from './terminal-trouble.ts';
