import type { CodeBrake } from '../ports/index.ts';

/** Wrong codes that are let through at one place: some at once, for slips of the finger, and then one a minute. */
export const BRAKE: CodeBrake = { free: 20, each: 60_000 };

/** Who tries: a till, or somebody at a desk. */
export const TILL = 'till:';
export const PERSON = 'person:';

const DAY = 24 * 60 * 60_000;

/** Wrong codes that so many places together can try in a day. */
export const guessesPerDay = (places: number): number => places * (DAY / BRAKE.each);
