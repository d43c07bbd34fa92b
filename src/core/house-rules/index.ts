export { type BrokenRule, brokenRules } from './broken-rules.ts';
export { deepestCut } from './deepest-cut.ts';
export { type HouseRules, NO_HOUSE_RULES, type ShutDay } from './house-rules.ts';
