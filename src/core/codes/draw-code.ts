import { alphabetOf, type CodePattern } from './code-pattern.ts';
import { isUnfortunate } from './unfortunate.ts';

/** A number from zero up to, but not, the given one; each as likely as any other. */
export type Pick = (below: number) => number;

/** One after the other is drawn until one is fortunate; of short patterns few are not. */
const MOST_TRIES = 1_000;

/** Draws codes of a pattern, as they are handed out: with their dashes, and nothing unfortunate in them. */
export function codeDrawer(pattern: CodePattern, pick: Pick): () => string {
  const { length, dashEvery } = pattern;
  const alphabet = alphabetOf(pattern);
  const [prefix, suffix] = [upper(pattern.prefix), upper(pattern.suffix)];
  return () => {
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      let drawn = '';
      for (let i = 0; i < length; i++) drawn += alphabet[pick(alphabet.length)]!;
      if (!isUnfortunate(drawn)) return prefix + dashed(drawn, dashEvery ?? length) + suffix;
    }
    throw new Error('no fortunate code was drawn');
  };
}

export const drawCode = (pattern: CodePattern, pick: Pick): string => codeDrawer(pattern, pick)();

function dashed(drawn: string, every: number): string {
  let text = drawn.slice(0, every);
  for (let i = every; i < drawn.length; i += every) text += `-${drawn.slice(i, i + every)}`;
  return text;
}

const upper = (text: string): string => text.normalize('NFKC').toUpperCase();
