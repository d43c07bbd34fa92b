export * from './deal-sentence.ts';
export * from './difference.ts';
export * from './duration-words.ts';
export * from './formula-words.ts';
export * from './names.ts';
export * from './offer-phrase.ts';
export * from './rules.ts';
export * from './when-words.ts';
