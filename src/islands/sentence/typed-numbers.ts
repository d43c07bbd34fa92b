/** A percentage with at most two decimals, as basis points; null where the text is none. */
export function basisPointsOf(text: string): number | null {
  const match = /^(\d{1,4})(?:[.,](\d{1,2}))?$/.exec(text.trim());
  return match ? Number(match[1]) * 100 + Number((match[2] ?? '').padEnd(2, '0')) : null;
}

/** A percentage up to 100, as basis points; null where the text is none. */
export function shareOf(text: string): number | null {
  const share = basisPointsOf(text);
  return share !== null && share <= 10_000 ? share : null;
}

/** A decimal number as the plan writes it, with a point; null where the text is none. */
export function numberOf(text: string): string | null {
  const match = /^(\d+)(?:[.,](\d+))?$/.exec(text.trim());
  return match ? match[1]! + (match[2] ? `.${match[2]}` : '') : null;
}

/** A whole number from 1; null where the text is none. */
export const countOf = (text: string): number | null =>
  /^[1-9]\d{0,5}$/.test(text.trim()) ? Number(text) : null;

/** Words of a list, with commas, spaces or lines between. */
export const listOf = (text: string): string[] => text.split(/[\s,;]+/).filter(Boolean);
