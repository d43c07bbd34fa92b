import bwip from 'bwip-js/node';

/** A linear barcode in modules, bars and spaces in turn, a bar first. */
export interface Barcode {
  readonly widths: readonly number[];
  /** The number in the groups in which it is read. */
  readonly digits: string;
}

const KINDS: Readonly<Record<number, { readonly kind: string; readonly groups: readonly number[] }>> = {
  8: { kind: 'ean8', groups: [4, 4] },
  13: { kind: 'ean13', groups: [1, 6, 6] },
};

/**
 * EAN-13 or EAN-8 of a GTIN (ISO/IEC 15420); one of twelve digits is written as thirteen.
 * @returns null where it is none of these, or its check digit is wrong: a till could not read it.
 */
export function barcodeOf(gtin: string): Barcode | null {
  const digits = gtin.length === 12 ? `0${gtin}` : gtin;
  const form = KINDS[digits.length];
  if (!form || !/^\d+$/.test(digits)) return null;
  try {
    const [drawn] = bwip.raw(form.kind, digits, '') as { readonly sbs?: readonly number[] }[];
    return drawn?.sbs ? { widths: drawn.sbs, digits: inGroups(digits, form.groups) } : null;
  } catch {
    return null;
  }
}

function inGroups(digits: string, groups: readonly number[]): string {
  const parts: string[] = [];
  for (const size of groups) {
    const from = parts.join('').length;
    parts.push(digits.slice(from, from + size));
  }
  return parts.join(' ');
}
