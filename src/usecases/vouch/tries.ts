import type { CodeBrake } from '../ports/index.ts';

/** Wrong codes that are let through at a till: some at once, for slips of the finger, and then one a minute. */
const AT_TILL: CodeBrake = { free: 20, each: 60_000 };
/** Somebody at a desk is known by name, and a trial basket is rung while they type. */
const AT_DESK: CodeBrake = { free: 100, each: 10_000 };

export const brakeOf = (who: string): CodeBrake => (who.startsWith(TILL) ? AT_TILL : AT_DESK);

/** Who tries: a till, or somebody at a desk. */
export const TILL = 'till:';
export const PERSON = 'person:';

const DAY = 24 * 60 * 60_000;

/** Wrong codes that so many tills together can try in a day. */
export const guessesPerDay = (tills: number): number => tills * (DAY / AT_TILL.each);
