import type { Currency } from '../../core/money/index.ts';

const LONGEST = 60;

/**
 * A decimal number as people and files write it: "12.50", "12,50", "1.234,50", "1,234.50", "€ 12,50".
 * @returns with a decimal point and no other marks ("1234.50"); null where it is none, or where a lone mark before three
 *   digits may be either.
 */
export function readDecimal(text: string): string | null {
  // No amount is as long, and what is taken off both ends is looked for at every place.
  if (text.length > LONGEST) return null;
  const bare = text.replace(/[\s\u00a0\u202f']|^[^\d.,-]+|[^\d.,]+$/g, '');
  if (!/^\d[\d.,]*$/.test(bare)) return null;
  const marks = [...bare.replace(/\d/g, '')];
  if (marks.length === 0) return bare;
  const last = marks.at(-1)!;
  const [whole, ...groups] = bare.split(/[.,]/) as [string, ...string[]];
  const mixed = marks.some((mark) => mark !== last);
  // "1.234.567": the same mark more than once parts thousands.
  if (marks.length > 1 && !mixed)
    return groups.every((group) => group.length === 3) ? whole + groups.join('') : null;
  const decimals = groups.pop()!;
  if (
    mixed &&
    (marks.filter((mark) => mark === last).length > 1 || groups.some((group) => group.length !== 3))
  )
    return null;
  if (decimals === '') return null;
  return `${whole}${groups.join('')}.${decimals}`;
}

export type ReadAmount =
  | { readonly ok: true; readonly amount: string }
  | { readonly ok: false; readonly what: string; readonly wanted: string };

/** An amount of a currency out of any of these ways of writing. */
export function readAmountText(text: string, currency: Currency): ReadAmount {
  const decimal = readDecimal(text);
  const { exponent, code } = currency;
  const example = exponent === 0 ? '1250' : `12.${'5'.padEnd(exponent, '0')}`;
  if (decimal === null)
    return {
      ok: false,
      what: `"${text.slice(0, LONGEST)}" is no amount`,
      wanted: `an amount such as ${example}`,
    };
  const [whole = '', decimals = ''] = decimal.split('.');
  if (decimals.length > exponent && /[1-9]/.test(decimals.slice(exponent)))
    return {
      ok: false,
      what: `"${text}" has ${decimals.length} decimals`,
      wanted:
        exponent === 0
          ? `an amount without decimals: ${code} has none`
          : `at most ${exponent} decimals: ${code} has no more`,
    };
  const kept = decimals.slice(0, exponent).padEnd(exponent, '0');
  return { ok: true, amount: exponent === 0 ? whole : `${whole.replace(/^0+(?=\d)/, '')}.${kept}` };
}

/** A day as people and files write it: "2027-03-01", "1.3.2027", "01/03/2027" (day first), or a sheet's own date. */
export function readDateText(text: string): string | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:T.*)?$/.exec(text.trim());
  const dayFirst = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(text.trim());
  const [year, month, day] = iso
    ? [iso[1], iso[2], iso[3]]
    : dayFirst
      ? [dayFirst[3], dayFirst[2], dayFirst[1]]
      : [];
  return year ? `${year}-${month!.padStart(2, '0')}-${day!.padStart(2, '0')}` : null;
}
