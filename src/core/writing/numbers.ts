import type { Writing } from './writing.ts';

const DECIMAL = /^([-−+]?)(\d+)(?:\.(\d+))?$/;

/** "1,234.50" of "1234.50", with the decimals that it has; a text that is no decimal number stands as it is. */
export function decimalWords(text: string, writing: Writing): string {
  const match = DECIMAL.exec(text);
  if (!match) return text;
  const [, sign = '', whole = '', decimals] = match;
  return sign + grouped(whole, writing) + (decimals === undefined ? '' : writing.decimal + decimals);
}

/** "4,000" */
export const countWords = (count: number, writing: Writing): string => decimalWords(String(count), writing);

/** "12.5 %" of 1250 basis points. @param decimals how many are always shown; without it none that are not needed. */
export function percentWords(basisPoints: number, writing: Writing, decimals?: number): string {
  const percent = basisPoints / 100;
  const text = decimals === undefined ? String(Number(percent.toFixed(2))) : percent.toFixed(decimals);
  return writing.percent[0] + decimalWords(text, writing) + writing.percent[1];
}

function grouped(whole: string, { group, groups, groupedFrom }: Writing): string {
  if (group === '' || whole.length < groupedFrom) return whole;
  const parts: string[] = [];
  let rest = whole;
  for (let size = groups[0]; rest.length > size; size = groups[1]) {
    parts.unshift(rest.slice(-size));
    rest = rest.slice(0, -size);
  }
  return [rest, ...parts].join(group);
}
