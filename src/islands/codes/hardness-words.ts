import { type CodePattern, hardness } from '../../core/codes/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

const YEAR = 365;
/** Longer than anybody plans for. */
const FOR_EVER = 1_000;

/** How hard it is to hit one of so many codes by trying, and whether that is enough. */
export function hardnessWords(
  pattern: CodePattern,
  codes: number,
  perDay: number,
): { readonly words: string; readonly enough: boolean } {
  const { tries, days, verdict } = hardness(pattern, codes, perDay);
  const words = `One in ${roundly(tries)} guesses hits one of them. All tills together look at ${saidCount(perDay)} wrong codes a day at most: somebody who tries at every one of them, day and night, hits one after ${spanWords(days)}.`;
  const more = {
    hard: '',
    weak: ' One sign more would make it safer.',
    hopeless: ' That is too little: make them longer, or fewer.',
  } as const;
  return { words: words + more[verdict], enough: verdict === 'hard' };
}

/** "about 3 years", "12 days", "less than an hour" */
function spanWords(days: number): string {
  if (days > FOR_EVER * YEAR) return `more than ${saidCount(FOR_EVER)} years`;
  if (days >= 2 * YEAR) return `about ${saidCount(Math.round(days / YEAR))} years`;
  if (days >= 2) return `about ${saidCount(Math.round(days))} days`;
  const hours = days * 24;
  return hours < 1
    ? 'less than an hour'
    : `about ${Math.round(hours)} ${Math.round(hours) === 1 ? 'hour' : 'hours'}`;
}

const SCALES = [
  [1e15, 'a million billion'],
  [1e12, 'trillion'],
  [1e9, 'billion'],
  [1e6, 'million'],
] as const;

/** To two figures: nobody counts the rest. */
function roundly(tries: number): string {
  if (tries >= SCALES[0][0]) return `more than ${SCALES[0][1]}`;
  const scale = SCALES.find(([from]) => tries >= from);
  if (!scale) return saidCount(Math.max(1, Number(tries.toPrecision(2))));
  return `${saidCount(Math.max(1, Math.round(tries / scale[0])))} ${scale[1]}`;
}
