import { alphabetOf, type CodePattern } from './code-pattern.ts';
import { isUnfortunate } from './unfortunate.ts';

/** A number from zero up to, but not, the given one; each as likely as any other. */
export type Pick = (below: number) => number;

/** One after the other is drawn until one is fortunate; of short patterns few are not. */
const MOST_TRIES = 1_000;

/** Draws one code of a pattern, as it is handed out: with its dashes, and nothing unfortunate in it. */
export function drawCode(pattern: CodePattern, pick: Pick): string {
  const alphabet = alphabetOf(pattern);
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const drawn = Array.from({ length: pattern.length }, () => alphabet[pick(alphabet.length)]!).join('');
    if (!isUnfortunate(drawn)) return written(pattern, drawn);
  }
  throw new Error('no fortunate code was drawn');
}

function written({ prefix, suffix, dashEvery }: CodePattern, drawn: string): string {
  const parts = dashEvery === null ? [drawn] : drawn.match(new RegExp(`.{1,${dashEvery}}`, 'g'))!;
  return `${upper(prefix)}${parts.join('-')}${upper(suffix)}`;
}

const upper = (text: string): string => text.normalize('NFKC').toUpperCase();
