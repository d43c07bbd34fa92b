/**
 * Reads a decimal with at most three places, such as "0.742", as a whole number of thousandths: grams of a weight,
 * or the quantity of a weighed item.
 * @returns null where the text is not one, or has more than nine digits before the point.
 */
export function parseThousandths(text: string): number | null {
  const match = /^(\d{1,9})(?:\.(\d{1,3}))?$/.exec(text);
  return match ? Number(match[1] + (match[2] ?? '').padEnd(3, '0')) : null;
}

/** 742 is "0.742", 1500 "1.5", 2000 "2". */
export function formatThousandths(thousandths: number): string {
  const digits = String(thousandths).padStart(4, '0');
  return `${digits.slice(0, -3)}.${digits.slice(-3)}`.replace(/\.?0+$/, '');
}
