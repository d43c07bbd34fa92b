import type { Writing } from '../../core/writing/index.ts';
import { writing } from './reader.ts';

/**
 * A typed number without the marks that part its thousands, where it is parted just as the reader parts numbers: so
 * that what is shown as "1.000,00" can be typed as "1.000" and is a thousand. Any other text stands as it is.
 */
export function asTyped(text: string): string {
  const { group, groups } = writing();
  if (group !== '.' && group !== ',') return text;
  const [head = '', ...parts] = text.trim().split(group);
  const isPart = (part: string, i: number) =>
    /^\d+$/.test(part) && part.length === (i === parts.length - 1 ? groups[0] : groups[1]);
  const grouped = /^[1-9]\d{0,2}$/.test(head) && parts.length > 0 && parts.every(isPart);
  return grouped ? head + parts.join('') : text;
}

/** "2,5" of "2.5": a number as it stands in a field, with the reader's decimal mark and nothing else. */
export const inField = (text: string): string =>
  /^\d+\.\d+$/.test(text) ? text.replace('.', writing().decimal) : text;

const DAY_AND_MONTH = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/;

/** A typed day as "2027-03-12", where the reader puts months first: elsewhere days come first, as in files. */
export function dayAsTyped(text: string): string {
  const match = DAY_AND_MONTH.exec(text.trim());
  if (!match || !monthsFirst(writing())) return text;
  const [, month = '', day = '', year] = match;
  return `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
}

const monthsFirst = ({ date }: Writing): boolean => {
  const at = (name: string) => date.findIndex((part) => typeof part !== 'string' && part.field === name);
  return at('month') < at('day');
};
